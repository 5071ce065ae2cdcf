package bench

import (
	"context"

	"bramblyacre/garden/say"
)

// BenchLabel is a label to stick into a tray or pot.
type BenchLabel struct {
	Name, Botanical, From, Day string
	Unproven                   bool
}

// Labels are the labels of a batch, one for each of its trays or so many plants; of all open batches
// where none is named.
func (u *Uses) Labels(ctx context.Context, batch int64, each int) ([]BenchLabel, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return nil, err
	}
	var labels []BenchLabel
	for _, b := range openBatches(s) {
		if batch != 0 && b.ID != batch {
			continue
		}
		v := viewBatch(s, b)
		label := BenchLabel{
			Name:      say.Capital(v.Name),
			Botanical: v.Botanical,
			Day:       startDay(b).DayMonthYear(),
			Unproven:  b.Way == "volunteers",
		}
		switch {
		case v.Lot != "":
			label.From = "seed: " + v.Lot
		case v.Mother != "":
			label.From = b.Way + " of " + v.Mother
		default:
			label.From = b.Way
		}
		n := max(1, v.Trays)
		if each > 0 {
			n = each
		}
		for range min(n, mostLabels) {
			labels = append(labels, label)
		}
	}
	if labels == nil {
		return nil, say.NotFoundError{What: "batch"}
	}
	return labels[:min(len(labels), mostLabels)], nil
}

// mostLabels is the most labels that are printed at once.
const mostLabels = 480
