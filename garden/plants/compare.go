package plants

import (
	"cmp"
	"context"
	"fmt"
	"slices"
	"strings"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/identity"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
)

// CompareView is two to four plants side by side: what differs first.
type CompareView struct {
	Plants []PlantBrief  `json:"plants"`
	Rows   []CompareRow  `json:"rows"`
	Apart  []CompareNote `json:"apart" doc:"What tells them apart, where one is mistaken for another"`
	// Characters are what they are known by, what decides first.
	Characters []CompareCharacter `json:"characters" doc:"What they are known by; what tells all of them apart first"`
}

// CompareCharacter is one character of the compared plants.
type CompareCharacter struct {
	ID   string `json:"id"`
	Name string `json:"name"`
	// Pairs is how many pairs it tells apart of those that matter: of a dangerous plant and
	// one that is not, or where there is none, of any two. All is true where it tells all.
	Pairs int                `json:"pairs" doc:"How many pairs that matter it tells apart"`
	All   bool               `json:"all" doc:"It tells every pair that matters apart"`
	Cells [][]view.StateView `json:"cells"`
}

// compareCharacters are the characters on record for two or more of the plants, those
// that tell most of the pairs that matter apart first.
func compareCharacters(plants []PlantView) []CompareCharacter {
	pairs := pairsThatMatter(plants)
	rows := []CompareCharacter{}
	for _, c := range identity.Vocabulary() {
		row := CompareCharacter{ID: c.ID, Name: c.Name}
		known := 0
		for _, p := range plants {
			cell := []view.StateView{}
			for _, character := range p.Characters {
				if character.ID == c.ID {
					cell = character.Shows
				}
			}
			if len(cell) > 0 {
				known++
			}
			row.Cells = append(row.Cells, cell)
		}
		if known < 2 {
			continue
		}
		for _, pair := range pairs {
			if !c.Hint && apartCells(row.Cells[pair[0]], row.Cells[pair[1]]) {
				row.Pairs++
			}
		}
		row.All = row.Pairs == len(pairs)
		rows = append(rows, row)
	}
	slices.SortStableFunc(rows, func(a, b CompareCharacter) int { return cmp.Compare(b.Pairs, a.Pairs) })
	return rows
}

// pairsThatMatter are the pairs of a dangerous plant and one that is not; where there
// is none, every pair.
func pairsThatMatter(plants []PlantView) (pairs [][2]int) {
	var every [][2]int
	for i := range plants {
		for k := range i {
			every = append(every, [2]int{k, i})
			if flora.IsDangerous(plants[i].Danger) != flora.IsDangerous(plants[k].Danger) {
				pairs = append(pairs, [2]int{k, i})
			}
		}
	}
	if len(pairs) == 0 {
		return every
	}
	return pairs
}

// apartCells tells whether two plants share no state.
func apartCells(a, b []view.StateView) bool {
	return len(a) > 0 && len(b) > 0 &&
		!slices.ContainsFunc(a, func(s view.StateView) bool { return slices.Contains(b, s) })
}

// CompareRow is one thing to know, for each plant.
type CompareRow struct {
	Name    string   `json:"name"`
	Cells   []string `json:"cells"`
	Differs bool     `json:"differs"`
}

// CompareNote says what tells two plants apart.
type CompareNote struct {
	Pair    string `json:"pair"`
	Decides string `json:"decides"`
	When    string `json:"when"`
	Danger  string `json:"danger"`
}

// fewestCompared and mostCompared bound how many plants stand side by side.
const fewestCompared, mostCompared = 2, 4

// Compare sets two to four plants side by side on a day.
func (u *Uses) Compare(ctx context.Context, on calendar.Date, ids []string) (CompareView, error) {
	if len(ids) < fewestCompared || len(ids) > mostCompared {
		return CompareView{}, say.Faults{
			{Field: "ids", Message: fmt.Sprintf("Choose from %d to %d plants.", fewestCompared, mostCompared)},
		}
	}
	var plants []PlantView
	v := CompareView{
		Plants:     []PlantBrief{},
		Rows:       []CompareRow{},
		Apart:      []CompareNote{},
		Characters: []CompareCharacter{},
	}
	for i, id := range ids {
		if slices.Contains(ids[:i], id) {
			return v, say.Faults{{Field: "ids", Message: "Choose each plant once."}}
		}
		plant, err := u.Plant(ctx, id, on)
		if err != nil {
			return v, err
		}
		plants = append(plants, plant)
		v.Plants = append(v.Plants, plant.PlantBrief)
	}
	row := func(name string, cell func(PlantView) string) {
		r := CompareRow{Name: name}
		for _, p := range plants {
			r.Cells = append(r.Cells, cell(p))
			r.Differs = r.Differs || r.Cells[0] != r.Cells[len(r.Cells)-1]
		}
		v.Rows = append(v.Rows, r)
	}
	row("mistaken for", func(p PlantView) string { return mistakenWords(p) })
	row("parts", partsWords)
	row("cautions", func(p PlantView) string { return strings.Join(p.Cautions, " ") })
	row("family", func(p PlantView) string { return p.Family })
	row("life", func(p PlantView) string { return p.Life })
	for i, fact := range plants[0].Facts {
		row(fact.Name, func(p PlantView) string { return p.Facts[i].Words })
	}
	row("ease", func(p PlantView) string { return p.Ease })
	row("in flower", flowerWords)
	slices.SortStableFunc(v.Rows, func(a, b CompareRow) int {
		if a.Differs == b.Differs {
			return 0
		}
		if a.Differs {
			return -1
		}
		return 1
	})
	v.Apart, v.Characters = apart(plants), compareCharacters(plants)
	return v, nil
}

// mistakenWords list what a plant is mistaken for, with its danger.
func mistakenWords(p PlantView) string {
	var words []string
	for _, l := range p.LookAlikes {
		words = append(words, fmt.Sprintf("%s (%s)", l.LookAlike, l.Danger))
	}
	return strings.Join(words, ", ")
}

func partsWords(p PlantView) string {
	var words []string
	for _, part := range p.Parts {
		words = append(words, part.Name+": "+strings.Join(part.Verdicts, ", "))
	}
	return strings.Join(words, "; ")
}

// flowerWords say when a plant usually flowers here, in its last year's course.
func flowerWords(p PlantView) string {
	if len(p.Years) == 0 {
		return ""
	}
	for _, stage := range p.Years[len(p.Years)-1].Stages {
		if stage.Stage == flora.FirstFlower {
			return "from " + stage.Dates.Text
		}
	}
	return "not told"
}

// apart says what tells the compared plants apart, where one of them is mistaken
// for another: by its botanical name, the author left out.
func apart(plants []PlantView) []CompareNote {
	notes := []CompareNote{}
	for _, p := range plants {
		for _, l := range p.LookAlikes {
			for _, other := range plants {
				told := slices.ContainsFunc(notes, func(n CompareNote) bool { return n.Pair == other.Name+" and "+p.Name })
				if other.ID != p.ID && taxon(l.Botanical) == taxon(other.Botanical) && !told {
					notes = append(notes, CompareNote{p.Name + " and " + other.Name, l.Decides, l.When, dangerOfPair(p, other)})
				}
			}
		}
	}
	return notes
}

// dangerOfPair says which of two plants is dangerous, and how; nothing where neither is.
func dangerOfPair(a, b PlantView) string {
	var words []string
	for _, p := range []PlantView{a, b} {
		if flora.IsDangerous(p.Danger) {
			words = append(words, p.Name+" is "+p.Danger)
		}
	}
	return say.Joined(words)
}

// taxon is a botanical name without its author.
func taxon(botanical string) string {
	words := strings.Fields(botanical)
	return strings.Join(words[:min(2, len(words))], " ")
}
