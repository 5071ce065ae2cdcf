package library

import (
	"fmt"
	"math/rand/v2"
	"strings"
	"testing"

	"bramblyacre/core/flora"
)

// Every figure that may be replaced can be, in every species: by itself it changes
// nothing but its standing, and nothing else of the species moves.
func TestEveryFigureThatMayBeReplacedCanBe(t *testing.T) {
	l, all := allSpecies(t)
	for _, s := range all {
		var figures []OwnFigure
		keys := FigureKeys(s)
		for _, k := range keys {
			own := k.Figure
			own.Standing, own.Source, own.Note = flora.Measured, "", ""
			line, err := own.MarshalText()
			if err != nil {
				t.Fatal(err)
			}
			figures = append(figures, OwnFigure{Species: s.ID, Key: k.Key, Figure: string(line)})
		}
		merged, faults := l.With(nil, figures)
		if len(faults) != 0 {
			t.Errorf("%s: %v", s.ID, faults)
			continue
		}
		changed, _ := merged.Species(s.ID)
		origin, marked := merged.Origin(s.ID)
		if !marked || origin.Own || len(origin.Figures) != len(keys) {
			t.Errorf("%s is marked %v with %d figures", s.ID, marked, len(origin.Figures))
		}
		for i, k := range FigureKeys(changed) {
			if k.Figure.Standing != flora.Measured || k.Figure.Value != keys[i].Figure.Value || k.Key != keys[i].Key {
				t.Errorf("%s %s is now %+v", s.ID, k.Key, k.Figure)
			}
			if was := origin.Figures[k.Key].Now; was == "" || strings.HasSuffix(was, "measured") {
				t.Errorf("%s %s: the library says %q", s.ID, k.Key, was)
			}
		}
		if len(changed.Parts) != len(s.Parts) || len(changed.Cautions) != len(s.Cautions) || changed.Names.Name != s.Names.Name || len(changed.Identity.Shows) != len(s.Identity.Shows) {
			t.Errorf("%s lost something by its own figures", s.ID)
		}
	}
	if ramsons, _ := l.Species("ramsons"); ramsons.Size.Height.Standing != flora.Usual {
		t.Error("the library itself was changed")
	}
}

// A figure that cannot be relied on is left out with its reason, and the species stays
// as it was: a program update must not lock the grower out.
func TestWhatCannotBeReliedOnIsLeftOutAndTold(t *testing.T) {
	l, _ := allSpecies(t)
	for _, bad := range []OwnFigure{
		{Species: "hop", Key: "size.height", Figure: "9 kg measured"},
		{Species: "hop", Key: "size.shoe", Figure: "9 cm measured"},
		{Species: "hop", Key: "part[9].harvest.per_plant", Figure: "9 cones measured"},
		{Species: "hop", Key: "part[x].harvest.per_plant", Figure: "9 cones measured"},
		{Species: "hop", Key: "names.name.length", Figure: "9 cm measured"},
		{Species: "hop", Key: "size.height", Figure: "tall"},
	} {
		merged, faults := l.With(nil, []OwnFigure{bad})
		s, has := merged.Species("hop")
		if faults["hop"] == nil || !has || s.Size.Height.Standing == flora.Measured {
			t.Errorf("%s = %q: %v", bad.Key, bad.Figure, faults)
		}
	}
	merged, faults := l.With(map[string][]byte{"gate-weed": []byte("not a plant")}, nil)
	if _, has := merged.Species("gate-weed"); has || faults["gate-weed"] == nil {
		t.Errorf("a broken own plant is there: %v", faults)
	}
	merged, faults = l.With(map[string][]byte{"hop": []byte("not a plant")}, nil)
	if s, has := merged.Species("hop"); !has || s.Names.Name != "hop" || faults["hop"] == nil {
		t.Errorf("a broken own plant took the library's place: %v", faults)
	}
}

// A species that leaves as its file comes back the same, for every plant: under an id of
// its own it passes all checks of the library.
func TestEveryPlantComesBackFromItsFile(t *testing.T) {
	l, all := allSpecies(t)
	for _, s := range all {
		text, has := l.Text(s.ID)
		if !has {
			t.Fatalf("%s has no text", s.ID)
		}
		again, err := l.ReadSpecies("again.toml", text)
		if err != nil || fmt.Sprintf("%+v", *again) == "" || len(again.Growth.Years) != len(s.Growth.Years) {
			t.Errorf("%s: %v", s.ID, err)
		}
		renamed := strings.Replace(string(text), fmt.Sprintf("id = %q", s.ID), `id = "gate-plant"`, 1)
		copied, err := l.CheckOwn("gate.toml", []byte(renamed))
		// A copy of a dangerous plant is told from the useful ones as it is itself.
		if err != nil || copied.ID != "gate-plant" {
			t.Errorf("a copy of %s: %v", s.ID, err)
		}
	}
}

// A file spoilt anywhere is read or refused with the file's name; it never stops the
// program.
func TestASpoiltFileNeverStopsTheProgram(t *testing.T) {
	l, all := allSpecies(t)
	rng := rand.New(rand.NewPCG(7, 27))
	refused := 0
	for n := range 1500 {
		s := all[rng.IntN(len(all))]
		text, _ := l.Text(s.ID)
		spoilt := append([]byte(nil), text...)
		for range 1 + rng.IntN(3) {
			at := rng.IntN(len(spoilt))
			switch rng.IntN(4) {
			case 0:
				spoilt[at] = byte(rng.IntN(256))
			case 1:
				spoilt = append(spoilt[:at], spoilt[min(len(spoilt), at+1+rng.IntN(20)):]...)
			case 2:
				spoilt = append(spoilt[:at:at], append([]byte(`"-9`), spoilt[at:]...)...)
			case 3:
				end := min(len(spoilt), at+40)
				spoilt = append(spoilt[:at:at], append(append([]byte(nil), spoilt[at:end]...), spoilt[at:]...)...)
			}
		}
		if _, err := l.ReadSpecies("spoilt.toml", spoilt); err != nil {
			refused++
			if !strings.HasPrefix(err.Error(), "spoilt.toml: ") {
				t.Fatalf("case %d of %s: the error does not name the file: %v", n, s.ID, err)
			}
		}
	}
	if refused < 900 {
		t.Errorf("only %d of 1500 spoilt files were refused", refused)
	}
}

// No plant of the grower's makes a dangerous one of the library less so: neither in its
// place, nor under its botanical name or a former one, read from a file or found among
// what is kept.
func TestNoOwnPlantSoftensADanger(t *testing.T) {
	l, all := allSpecies(t)
	dangers := 0
	for _, s := range all {
		if !flora.IsDangerous(s.Identity.Danger) {
			continue
		}
		dangers++
		text, _ := l.Text(s.ID)
		if _, err := l.CheckOwn("own.toml", text); err == nil || !strings.Contains(err.Error(), "stays as it is there") {
			t.Errorf("%s is put in its own place: %v", s.ID, err)
		}
		renamed := strings.Replace(string(text), fmt.Sprintf("id = %q", s.ID), `id = "mill-weed"`, 1)
		if _, err := l.CheckOwn("own.toml", []byte(renamed)); err != nil {
			t.Errorf("a true copy of %s is refused: %v", s.ID, err)
		}
		if !s.IsUsed() {
			used := strings.Replace(renamed, "verdict = [\"poisonous\"]", "verdict = [\"outside only\"]\nuse = \"On the skin.\"", 1)
			used = strings.Replace(used, "uses = []", "uses = [\"skin\"]", 1)
			used = strings.Replace(used, "[identity]\n", fmt.Sprintf("[identity]\nmust = [%q]\n", s.Identity.Shows.Characters()[0]), 1)
			if _, err := l.CheckOwn("own.toml", []byte(used)); err == nil || !strings.Contains(err.Error(), "no part of it is used") && !strings.Contains(err.Error(), "characters are needed") {
				t.Errorf("%s is used on the skin: %v", s.ID, err)
			}
		}
		milder := strings.Replace(renamed, fmt.Sprintf("danger = %q\n", s.Identity.Danger), "danger = \"harmless\"\n", 1)
		if _, err := l.CheckOwn("own.toml", []byte(milder)); err == nil || !strings.Contains(err.Error(), "cannot be \"harmless\" here") {
			t.Errorf("%s is called harmless: %v", s.ID, err)
		}
		for _, former := range s.Names.Former {
			byFormer := strings.Replace(milder, fmt.Sprintf("botanical = %q", s.Names.Botanical), fmt.Sprintf("botanical = %q", strings.ToUpper(former)), 1)
			if _, err := l.CheckOwn("own.toml", []byte(byFormer)); err == nil {
				t.Errorf("%s is harmless as %s", s.ID, former)
			}
		}
		merged, faults := l.With(map[string][]byte{s.ID: []byte(strings.Replace(milder, `id = "mill-weed"`, fmt.Sprintf("id = %q", s.ID), 1))}, nil)
		if kept, _ := merged.Species(s.ID); kept == nil || kept.Identity.Danger != s.Identity.Danger || faults[s.ID] == nil {
			t.Errorf("what is kept makes %s harmless: %v", s.ID, faults[s.ID])
		}
	}
	if dangers < 25 {
		t.Errorf("only %d dangers", dangers)
	}
}

// A used plant of the grower's under a name that is a dangerous plant's, misspelt or typed
// with letters that only look like it, is asked back: refused until mended, or until the
// grower says in the file that it is another plant.
func TestANameNearADangerousPlantsIsAskedBack(t *testing.T) {
	l, _ := allSpecies(t)
	text, _ := l.Text("ramsons")
	base := strings.Replace(string(text), `id = "ramsons"`, `id = "mill-weed"`, 1)
	named := func(botanical, name string) string {
		out := strings.Replace(base, `botanical = "Allium ursinum L."`, fmt.Sprintf("botanical = %q", botanical), 1)
		return strings.Replace(out, `name = "ramsons"`, fmt.Sprintf("name = %q", name), 1)
	}
	if named("A b", "c") == base {
		t.Fatal("the names of ramsons are written otherwise now")
	}
	for _, c := range []struct{ botanical, name, says string }{
		{"Conium maculatun L.", "mill weed", "which is deadly"},    // a letter misread
		{"Conium macu\u0142atum L.", "mill weed", "as hemlock"},    // Polish l
		{"C\u043enium maculatum L.", "mill weed", "Latin letters"}, // Cyrillic o
		{"Conium  MACULATUM", "mill weed", "as hemlock"},           // spaces and case
		{"Oenanthe crocatta L.", "mill weed", "which is deadly"},   // a letter twice
		{"Allium alienum Nobody", "Hemlock", "which is deadly"},    // another's common name
		{"Allium alienum Nobody", "HÉMLOCK", "which is deadly"},    // with an accent
		{"Colchicun autunnale", "mill weed", "which is deadly"},    // two letters
		{"Convallaria majalis", "mill weed", "lily of the valley"}, // the plant itself
		{"Convalaria majallis L.", "mill weed", "lily of the valley"},
	} {
		_, err := l.CheckOwn("own.toml", []byte(named(c.botanical, c.name)))
		if err == nil || !strings.Contains(err.Error(), c.says) {
			t.Errorf("%s, called %s: %v", c.botanical, c.name, err)
		}
	}
	for _, fine := range [][2]string{{"Allium alienum Nobody", "mill weed"}, {"Allium paradoxum", "few-flowered leek of ours"}} {
		if _, err := l.CheckOwn("own.toml", []byte(named(fine[0], fine[1]))); err != nil {
			t.Errorf("%s is refused: %v", fine[0], err)
		}
	}
	// The grower's own word that it is another plant is heard, for a name that is only near.
	near := strings.Replace(named("Conium maculatun L.", "mill weed"), "[identity]\n", "[identity]\nother_than = [\"hemlock\"]\n", 1)
	if _, err := l.CheckOwn("own.toml", []byte(near)); err != nil {
		t.Errorf("said to be another plant: %v", err)
	}
	same := strings.Replace(named("Conium maculatum L.", "mill weed"), "[identity]\n", "[identity]\nother_than = [\"hemlock\"]\n", 1)
	if _, err := l.CheckOwn("own.toml", []byte(same)); err == nil {
		t.Error("hemlock itself is another plant than hemlock by the grower's word")
	}
}

// Musts that a deadly plant shows as well tell nothing: such a file is refused, and names
// the plants that are not told apart.
func TestMustsThatTellNothingAreRefused(t *testing.T) {
	l, _ := allSpecies(t)
	text, _ := l.Text("ramsons")
	base := strings.Replace(strings.Replace(string(text), `id = "ramsons"`, `id = "mill-weed"`, 1), `"Allium ursinum L."`, `"Allium alienum Nobody"`, 1)
	const musts = `must = ["smell", "leaf-base", "leaf-veins", "flower-group"]`
	if !strings.Contains(base, musts) {
		t.Fatal("the musts of ramsons are others now")
	}
	if _, err := l.CheckOwn("own.toml", []byte(base)); err != nil {
		t.Errorf("with all its musts: %v", err)
	}
	// Lily of the valley and autumn crocus have long veins as well.
	_, err := l.CheckOwn("own.toml", []byte(strings.Replace(base, musts, `must = ["leaf-veins", "leaf-shape", "life-form"]`, 1)))
	if err == nil || !strings.Contains(err.Error(), "identity.must") {
		t.Errorf("with three musts that its doubles share: %v", err)
	}
}
