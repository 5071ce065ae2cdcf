package server

import (
	"bytes"
	"context"
	"net/http"
	"slices"
	"strconv"
	"strings"

	"github.com/danielgtaylor/huma/v2"

	"bramblyacre/core/keeping"
	"bramblyacre/format"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/larder"
	"bramblyacre/garden/say"
)

// registerStore is the store: drier, makings, jars, what is held back, and how long everything lasts.
func (o operations) registerStore(api huma.API) {
	o.registerDrier(api)
	o.registerMakings(api)
	o.registerJars(api)
	o.registerRecalls(api)
	o.registerLabels(api)
	operation(api, http.MethodGet, "/api/store", "getStore", "What stands on the shelves, and what is on its way there",
		func(ctx context.Context, _ *nothing) (larder.StoreView, error) { return o.garden.Larder.Shelves(ctx) })
	operation(api, http.MethodGet, "/api/store/runway", "getRunway", "How long everything lasts",
		func(ctx context.Context, _ *nothing) (larder.RunwayView, error) { return o.garden.Larder.Runway(ctx) })
	operation(
		api,
		http.MethodPut,
		"/api/store/address",
		"setStoreAddress",
		"Say where the household's devices reach this house",
		func(ctx context.Context, in *struct{ Body larder.AddressInput }) (journal.Entry, error) {
			return o.garden.Larder.SetAddress(ctx, in.Body)
		},
	)
	operation(api, http.MethodPost, "/api/store/shelves", "putUpShelf", "Put up a shelf",
		func(ctx context.Context, in *struct{ Body larder.ShelfInput }) (journal.Entry, error) {
			return o.garden.Larder.PutShelf(ctx, 0, say.AsItStands, in.Body)
		})
	operation(api, http.MethodPut, "/api/store/shelves/{id}", "changeShelf", "Change a shelf",
		func(ctx context.Context, in *struct {
			ByID
			Seen
			Body larder.ShelfInput
		}) (journal.Entry, error) {
			return o.garden.Larder.PutShelf(ctx, in.ID, in.version(), in.Body)
		})
	operation(api, http.MethodDelete, "/api/store/shelves/{id}", "takeDownShelf", "Take a shelf down",
		func(ctx context.Context, in *ByID) (journal.Entry, error) {
			return o.garden.Larder.RemoveShelf(ctx, in.ID)
		})
}

func (o operations) registerDrier(api huma.API) {
	operation(api, http.MethodGet, "/api/drier", "getDrier", "The drier, its trays, and what waits for it",
		func(ctx context.Context, _ *nothing) (larder.DrierView, error) { return o.garden.Larder.Drier(ctx) })
	operation(api, http.MethodPut, "/api/drier", "setDrier", "Say how the drier is",
		func(ctx context.Context, in *struct {
			Seen
			Body larder.DrierKindInput
		}) (journal.Entry, error) {
			return o.garden.Larder.SetDrier(ctx, in.version(), in.Body)
		})
	operation(api, http.MethodPost, "/api/drier/trays", "loadTrays", "Lay baskets on the drier's trays",
		func(ctx context.Context, in *struct{ Body larder.LoadInput }) (journal.Entry, error) {
			return o.garden.Larder.LoadTrays(ctx, in.Body)
		})
	operation(api, http.MethodGet, "/api/drier/lots/{id}/scale", "readTrayScale", "What the drier's scale reads of a tray",
		func(ctx context.Context, in *ByID) (larder.ScaleView, error) {
			return o.garden.Larder.ReadScale(ctx, in.ID)
		})
	operation(api, http.MethodPost, "/api/drier/lots/{id}/weighings", "weighTray", "Note what a tray weighs now",
		func(ctx context.Context, in *struct {
			ByID
			Body larder.WeighingInput
		}) (journal.Entry, error) {
			return o.garden.Larder.WeighTray(ctx, in.ID, in.Body)
		})
	operation(
		api,
		http.MethodPost,
		"/api/drier/lots/{id}/move",
		"moveTray",
		"Move a tray, or a part of it that dries late",
		func(ctx context.Context, in *struct {
			ByID
			Body larder.MoveDryingInput
		}) (journal.Entry, error) {
			return o.garden.Larder.MoveTray(ctx, in.ID, in.Body)
		},
	)
	operation(api, http.MethodPost, "/api/drier/lots/{id}/finish", "finishTray", "Take a tray out, dry",
		func(ctx context.Context, in *struct {
			ByID
			Body larder.FinishTrayInput
		}) (journal.Entry, error) {
			return o.garden.Larder.FinishTray(ctx, in.ID, in.Body)
		})
}

func (o operations) registerMakings(api huma.API) {
	operation(api, http.MethodGet, "/api/store/makings", "getStoreMakings", "What may be made, and of what",
		func(ctx context.Context, _ *nothing) (larder.MakingsView, error) { return o.garden.Larder.Makings(ctx) })
	operation(api, http.MethodPost, "/api/store/making-sum", "sumMaking", "What a making comes to, without noting it",
		func(ctx context.Context, in *struct{ Body larder.MakeLotInput }) (larder.MakingSumView, error) {
			return o.garden.Larder.SumMaking(ctx, in.Body)
		})
	operation(
		api,
		http.MethodPost,
		"/api/store/lots",
		"makeLot",
		"Make something of what was picked, or of what stands in jars",
		func(ctx context.Context, in *struct{ Body larder.MakeLotInput }) (journal.Entry, error) {
			return o.garden.Larder.Make(ctx, in.Body)
		},
	)
	operation(api, http.MethodGet, "/api/store/lots/{id}", "getLot", "A lot and its way from bed to jar",
		func(ctx context.Context, in *ByID) (larder.LotView, error) { return o.garden.Larder.Lot(ctx, in.ID) })
	operation(api, http.MethodPost, "/api/store/lots/{id}/finish", "finishLot", "Note what came of what stood",
		func(ctx context.Context, in *struct {
			ByID
			Body larder.FinishInput
		}) (journal.Entry, error) {
			return o.garden.Larder.Finish(ctx, in.ID, in.Body)
		})
	operation(api, http.MethodPost, "/api/store/lots/{id}/discard", "discardLot", "Throw out what is under way",
		func(ctx context.Context, in *struct {
			ByID
			Body larder.DiscardInput
		}) (journal.Entry, error) {
			return o.garden.Larder.DiscardLot(ctx, in.ID, in.Body)
		})
	operation(api, http.MethodPost, "/api/store/lots/{id}/fill", "fillJars", "Fill a lot into jars",
		func(ctx context.Context, in *struct {
			ByID
			Body struct {
				Jars []larder.FillInput `json:"jars" maxItems:"50"`
			}
		}) (journal.Entry, error) {
			return o.garden.Larder.FillJars(ctx, in.ID, in.Body.Jars)
		})
	operation(
		api,
		http.MethodPost,
		"/api/store/lots/{id}/steps",
		"markLotStep",
		"Note that a step of what stands was done",
		func(ctx context.Context, in *struct {
			ByID
			Body larder.StepInput
		}) (journal.Entry, error) {
			return o.garden.Larder.MarkStep(ctx, in.ID, in.Body)
		},
	)
	operation(
		api,
		http.MethodPost,
		"/api/store/lots/{id}/read",
		"readLotCautions",
		"Note that what is new among its cautions was read",
		func(ctx context.Context, in *ByID) (journal.Entry, error) {
			return o.garden.Larder.ReadCautions(ctx, in.ID)
		},
	)
	o.registerRecipes(api)
}

func (o operations) registerRecipes(api huma.API) {
	operation(api, http.MethodGet, "/api/store/recipes", "getRecipes", "The household's own recipes",
		func(ctx context.Context, _ *nothing) ([]larder.RecipeView, error) {
			return o.garden.Larder.Recipes(ctx)
		})
	operation(api, http.MethodPost, "/api/store/recipes", "keepRecipe", "Keep a recipe",
		func(ctx context.Context, in *struct{ Body keeping.Recipe }) (journal.Entry, error) {
			return o.garden.Larder.PutRecipe(ctx, 0, say.AsItStands, in.Body)
		})
	operation(api, http.MethodPut, "/api/store/recipes/{id}", "changeRecipe", "Change a recipe",
		func(ctx context.Context, in *struct {
			ByID
			Seen
			Body keeping.Recipe
		}) (journal.Entry, error) {
			return o.garden.Larder.PutRecipe(ctx, in.ID, in.version(), in.Body)
		})
	operation(api, http.MethodDelete, "/api/store/recipes/{id}", "putRecipeAway", "Put a recipe away",
		func(ctx context.Context, in *ByID) (journal.Entry, error) {
			return o.garden.Larder.RemoveRecipe(ctx, in.ID)
		})
	operation(api, http.MethodPost, "/api/store/recipes/file", "bringRecipe", "Keep a recipe as its file says it",
		func(ctx context.Context, in *struct {
			Body struct {
				Text string `json:"text" maxLength:"70000" doc:"The file as TOML"`
			}
		}) (journal.Entry, error) {
			return o.garden.Larder.BringRecipe(ctx, in.Body.Text)
		})
	huma.Register(api, huma.Operation{
		OperationID: "getRecipeFile", Method: http.MethodGet, Path: "/api/files/recipes/{id}", Summary: "A recipe's file",
	}, func(ctx context.Context, in *ByID) (*fileAnswer, error) {
		text, name, err := o.garden.Larder.RecipeFile(ctx, in.ID)
		if err != nil {
			return nil, asProblem(err)
		}
		return &fileAnswer{"application/toml", `attachment; filename="` + fileName(name) + `.toml"`, []byte(text)}, nil
	})
}

// fileName is a name as a file may have it everywhere: letters and figures of the plain alphabet, joined by hyphens.
func fileName(name string) string {
	words := strings.FieldsFunc(
		strings.ToLower(name),
		func(r rune) bool { return !(r >= 'a' && r <= 'z' || r >= '0' && r <= '9') },
	)
	if len(words) == 0 {
		return "recipe"
	}
	return strings.Join(words, "-")
}

func (o operations) registerJars(api huma.API) {
	operation(
		api,
		http.MethodGet,
		"/api/store/jars/{id}",
		"getJar",
		"A jar, where what is in it came from, and how it was used",
		func(ctx context.Context, in *ByID) (larder.JarView, error) { return o.garden.Larder.Jar(ctx, in.ID) },
	)
	operation(api, http.MethodPost, "/api/store/jars/{id}/take", "takeFromJar", "Take something out of a jar",
		func(ctx context.Context, in *struct {
			ByID
			Body larder.TakeInput
		}) (journal.Entry, error) {
			return o.garden.Larder.Take(ctx, in.ID, in.Body)
		})
	operation(api, http.MethodPost, "/api/store/jars/{id}/weigh", "weighJar", "Note what a jar is found to hold",
		func(ctx context.Context, in *struct {
			ByID
			Body larder.JarWeighInput
		}) (journal.Entry, error) {
			return o.garden.Larder.WeighJar(ctx, in.ID, in.Body)
		})
	operation(api, http.MethodPost, "/api/store/jars/{id}/move", "moveJar", "Put a jar on another shelf",
		func(ctx context.Context, in *struct {
			ByID
			Body larder.MoveJarInput
		}) (journal.Entry, error) {
			return o.garden.Larder.MoveJar(ctx, in.ID, in.Body)
		})
	operation(api, http.MethodPost, "/api/store/jars/{id}/open", "openJar", "Note that a jar was opened",
		func(ctx context.Context, in *ByID) (journal.Entry, error) { return o.garden.Larder.OpenJar(ctx, in.ID) })
	operation(api, http.MethodPost, "/api/store/bought", "buyStock", "Note what was bought, in its jar",
		func(ctx context.Context, in *struct{ Body larder.BoughtInput }) (journal.Entry, error) {
			return o.garden.Larder.Buy(ctx, in.Body)
		})
}

func (o operations) registerRecalls(api huma.API) {
	operation(
		api,
		http.MethodGet,
		"/api/store/recalls",
		"getRecalls",
		"What is held back, and everything down the line of it",
		func(ctx context.Context, _ *nothing) (larder.RecallsView, error) { return o.garden.Larder.Recalls(ctx) },
	)
	operation(api, http.MethodPost, "/api/store/recalls", "recallLot", "Hold a basket or a lot back",
		func(ctx context.Context, in *struct{ Body larder.RecallInput }) (journal.Entry, error) {
			return o.garden.Larder.Recall(ctx, in.Body)
		})
	operation(api, http.MethodPost, "/api/store/recalls/{id}/undo", "undoRecall", "Free what was held back in error",
		func(ctx context.Context, in *ByID) (journal.Entry, error) {
			return o.garden.Larder.UndoRecall(ctx, in.ID)
		})
	operation(
		api,
		http.MethodPost,
		"/api/store/gifts/{id}/told",
		"tellGift",
		"Note that whoever was given something was told",
		func(ctx context.Context, in *ByID) (journal.Entry, error) {
			return o.garden.Larder.TellGift(ctx, in.ID)
		},
	)
}

// labelPage asks for labels.
type labelPage struct {
	Size string `query:"size" default:"large" doc:"The sheet, as the store lists them"`
	Jars string `query:"jars" maxLength:"2000" doc:"Ids of jars, by commas"`
	Lots string `query:"lots" maxLength:"2000" doc:"Ids of lots, by commas"`
	Each int    `query:"each" minimum:"0" maximum:"100" doc:"How many of each; 0 for one"`
	Gift bool   `query:"gift" doc:"For someone who does not know the house"`
	Skip int    `query:"skip" minimum:"0" maximum:"60" doc:"How many labels of the first sheet are used already"`
	// opened is the address that the labels were asked for at.
	opened string
}

// Resolve keeps the address that the labels were asked for at: what is printed leads there, and nobody else says where.
func (p *labelPage) Resolve(ctx huma.Context) []error {
	scheme := "http"
	if ctx.TLS() != nil {
		scheme = "https"
	}
	p.opened = scheme + "://" + ctx.Host()
	return nil
}

func (o operations) registerLabels(api huma.API) {
	huma.Register(api, huma.Operation{
		OperationID: "getJarLabels", Method: http.MethodGet, Path: "/api/files/jar-labels",
		Summary: "Labels for jars, to print",
	}, func(ctx context.Context, in *labelPage) (*fileAnswer, error) {
		text, err := o.jarLabels(ctx, in)
		if err != nil {
			return nil, asProblem(err)
		}
		return &fileAnswer{"application/pdf", `inline; filename="jar-labels.pdf"`, text}, nil
	})
}

func (o operations) jarLabels(ctx context.Context, in *labelPage) ([]byte, error) {
	at := slices.IndexFunc(larder.LabelSizes, func(size larder.LabelSize) bool { return size.ID == in.Size })
	if at < 0 {
		return nil, say.Faults{{Field: "size", Message: "Choose a sheet of labels."}}
	}
	of := larder.LabelsOf{Each: in.Each, Gift: in.Gift}
	var err error
	if of.JarIDs, err = readIDs("jars", in.Jars); err != nil {
		return nil, err
	}
	if of.LotIDs, err = readIDs("lots", in.Lots); err != nil {
		return nil, err
	}
	labels, err := o.garden.Larder.Labels(ctx, of)
	if err != nil {
		return nil, err
	}
	address, err := o.garden.Larder.AddressOf(ctx, in.opened)
	if err != nil {
		return nil, err
	}
	var text bytes.Buffer
	if err := format.WriteJarLabels(&text, larder.LabelSizes[at], labels, address, in.Skip); err != nil {
		return nil, err
	}
	return text.Bytes(), nil
}

func readIDs(field, text string) (ids []int64, err error) {
	for one := range strings.SplitSeq(text, ",") {
		if one = strings.TrimSpace(one); one == "" {
			continue
		}
		id, err := strconv.ParseInt(one, 10, 64)
		if err != nil {
			return nil, say.Faults{{Field: field, Message: "These are numbers, by commas."}}
		}
		ids = append(ids, id)
	}
	return ids, nil
}
