package view

import (
	"fmt"
	"strings"

	"bramblyacre/core/flora"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
)

// smallPlotM2 is up to how much ground a plot counts as small.
const smallPlotM2 = 60.0

// ForMeAnswers answers plainly whether a plant is for a small plot, a beginner, an
// allergic picker, and a place with children or hens.
func ForMeAnswers(s *plot.State, species *flora.Species) []ForMe {
	return []ForMe{
		forSmallPlot(s, species),
		forBeginner(species),
		forAllergic(species),
		forChildren(species),
		forHens(species),
	}
}

const nothingOnRecord = "Nothing on record here. That does not make it safe."

func forSmallPlot(s *plot.State, species *flora.Species) ForMe {
	spread := map[string]string{
		"stays": "keeps to its place", "gentle": "widens slowly", "runs": "runs", "seeds about": "seeds itself about",
	}[species.Site.Spread]
	width := s.Units.PlantLength(species.Size.Width.Value / 100)
	f := ForMe{
		Question: "In a small plot?",
		Minds:    species.Site.Spread == "runs" || species.Site.Spread == "seeds about" || species.Size.Width.Value > 150,
	}
	f.Answer = fmt.Sprintf("Fits: %s wide, and %s.", width, spread)
	if f.Minds {
		f.Answer = fmt.Sprintf("With care: %s wide, and %s. %s", width, spread, species.Site.SpreadNote)
	}
	if flora.IsDangerous(species.Identity.Danger) {
		f.Minds = true
		f.Answer = fmt.Sprintf("Better not: it is %s, %s wide, and %s.", species.Identity.Danger, width, spread)
	}
	if area := s.Boundary.Area(); area <= smallPlotM2 {
		f.Answer += fmt.Sprintf(" Yours is small: %s.", s.Units.Area(area))
	}
	return f
}

func forBeginner(species *flora.Species) ForMe {
	h := species.Household
	if flora.IsDangerous(species.Identity.Danger) {
		// Nothing about a plant that kills or poisons is easy.
		return ForMe{
			Question: "For a beginner?",
			Answer:   "No: it is " + species.Identity.Danger + ". Know it to leave it alone, and to keep it from what you pick.",
			Minds:    true,
		}
	}
	deadly := DeadlyLookAlikes(species)
	f := ForMe{
		Question: "For a beginner?",
		Answer:   say.Capital(h.Ease) + ": " + say.LowerFirst(h.EaseWhy),
		Minds:    h.Ease != "easy" || len(deadly) > 0,
	}
	if len(deadly) > 0 {
		f.Answer += " It is mistaken for " + say.Joined(
			deadly,
		) + ", which " + kills(
			deadly,
		) + ": buy it labelled, or let someone who knows it check."
	}
	return f
}

// kills is the word for one or several plants.
func kills(names []string) string {
	if len(names) == 1 {
		return "kills"
	}
	return "kill"
}

// DeadlyLookAlikes names the plants that kill and that a species is mistaken for.
func DeadlyLookAlikes(species *flora.Species) []string {
	var names []string
	for _, l := range species.LookAlikes {
		if l.Danger == "deadly" {
			names = append(names, l.Name)
		}
	}
	return names
}

func forAllergic(species *flora.Species) ForMe {
	var words []string
	if species.Household.Allergy != "" {
		words = append(words, species.Household.Allergy)
	}
	for _, caution := range species.Cautions {
		if caution.Route != "by mouth" || strings.Contains(strings.ToLower(caution.Who), "allerg") {
			words = append(words, say.Capital(caution.Who)+": "+caution.Text)
		}
	}
	f := ForMe{Question: "For an allergic picker?", Answer: nothingOnRecord, Minds: true}
	if len(words) > 0 {
		f.Answer = strings.Join(words, " ")
	}
	return f
}

func forChildren(species *flora.Species) ForMe {
	var words []string
	for _, part := range species.Parts {
		for _, verdict := range part.Verdicts {
			if verdict == flora.Poisonous {
				words = append(words, say.Capital(part.Name)+" is poisonous.")
			}
		}
	}
	if species.Household.Children != "" {
		words = append(words, species.Household.Children)
	}
	var untold []string
	for _, name := range DeadlyLookAlikes(species) {
		if !strings.Contains(species.Household.Children, name) {
			untold = append(untold, name)
		}
	}
	if len(untold) > 0 {
		words = append(words, "Children cannot tell it from "+say.Joined(untold)+", which "+kills(untold)+".")
	}
	f := ForMe{Question: "Near small children?", Answer: nothingOnRecord, Minds: true}
	if len(words) > 0 {
		f.Answer = strings.Join(words, " ")
	}
	return f
}

func forHens(species *flora.Species) ForMe {
	h := species.Household
	f := ForMe{Question: "Near hens?", Minds: h.Hens != "left alone" && h.Hens != "eaten", Answer: nothingOnRecord}
	if h.Hens != "not known" {
		f.Answer = say.Capital(
			map[string]string{
				"eaten": "they eat it", "a little": "only a little of it",
				"left alone": "they leave it alone", "harmful": "it harms them",
			}[h.Hens],
		) + ". " + h.HensWhy
	}
	return f
}
