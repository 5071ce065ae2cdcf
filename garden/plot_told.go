package garden

import (
	"context"

	"bramblyacre/store"
)

// siteTable holds the plot's one site, which always stands.
var siteTable = NewTable("site",
	func(q *store.Queries, ctx context.Context, _ int64) (store.Site, error) { return q.GetSite(ctx) },
	(*store.Queries).PutSite, nil)

var plantingsTable = NewTable("plantings", (*store.Queries).GetPlanting, (*store.Queries).PutPlanting, (*store.Queries).DropPlanting)

// plotTold is what the journal has to know of plot.
var plotTold = Told{
	Tables: []AnyTable{siteTable, plantingsTable},
}
