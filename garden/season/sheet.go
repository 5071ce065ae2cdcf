package season

import (
	"context"
	"fmt"
	"slices"
	"strings"

	"bramblyacre/core/calendar"
	"bramblyacre/garden/area"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
)

// Sheet is the plan of the season as it is printed: every picking by its day, and what is covered.
type Sheet struct {
	Title, Under string
	Days         []SheetDay
	Cover        []string
	// Foot is said once below.
	Foot string
}

// SheetDay is a day of picking.
type SheetDay struct {
	Day   string
	Picks []SheetPick
}

// SheetPick is a picking as it is printed: what and how much, where, its test in the hand, and what to mind.
type SheetPick struct{ What, Where, Sign, Mind string }

// Sheet is the plan of this season to print: the one that is followed, or the proposal.
func (u *Uses) Sheet(ctx context.Context) (Sheet, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return Sheet{}, err
	}
	q, err := u.questionOf(s, s.Season)
	if err != nil {
		return Sheet{}, err
	}
	row, kept, has := followed(s, s.Season)
	w := u.workOf(q, row, kept, has)
	select {
	case <-w.done:
	case <-ctx.Done():
		return Sheet{}, ctx.Err()
	}
	v := w.view(q, row, kept, has)
	sheet := Sheet{
		Title: "Plan of the season, " + s.Site.Name,
		Under: fmt.Sprintf("From %s. %s. %s.", q.first.DayMonthYear(), say.Capital(v.Summary), v.Better),
		Foot:  view.AskFirst,
	}
	if !has {
		sheet.Under += " A proposal: it is not followed yet."
	}
	plan, _, _, _ := w.now()
	for _, pick := range plan.Picks {
		one, stand := q.viewPick(pick, kept, has), q.stands[pick.Stand]
		day := one.Day.WeekdayDayMonth()
		if n := len(sheet.Days); n == 0 || sheet.Days[n-1].Day != day {
			sheet.Days = append(sheet.Days, SheetDay{Day: day})
		}
		rule := stand.part.Harvest
		line := SheetPick{
			What: fmt.Sprintf(
				"%s: %s, %s",
				say.Capital(say.PartOf(stand.p.Species.Names.Name, stand.part.Name)),
				one.Amount,
				one.Weight,
			),
			Where: stand.p.Bed.Name, Sign: rule.Sign,
			Mind: strings.Join(slices.Concat(rule.Hazards, view.CautionLines(s, stand.p.Species, stand.part.Name)), " "),
		}
		if one.Tied {
			line.What += strings.TrimSuffix(" (tied, "+one.Why, ", ") + ")"
		}
		last := &sheet.Days[len(sheet.Days)-1]
		last.Picks = append(last.Picks, line)
	}
	for _, p := range v.Products {
		line := fmt.Sprintf("%s: %s", say.Capital(p.Name), p.Covered)
		if p.For != "" {
			line += ", " + p.For
		}
		if p.Words != "" {
			line += ". " + say.Capital(p.Words)
		}
		sheet.Cover = append(sheet.Cover, line)
	}
	return sheet, nil
}

// planned are the pickings of the plans that are followed, and the days on which customs ask for a part, for a
// calendar.
func (u *Uses) planned(s *plot.State) (events []area.Event) {
	for _, season := range []calendar.Season{s.Season, s.Next} {
		events = append(events, u.customEvents(s, season)...)
		picks, _ := u.followedPicks(s, season)
		for _, one := range picks {
			p, has := s.ByID[one.Planting]
			if !has {
				continue
			}
			part, _ := p.Species.Part(one.Part)
			if part.Harvest == nil {
				continue
			}
			amount := say.Counted(float64(one.Units), part.Harvest.One, part.Harvest.Many)
			description := fmt.Sprintf("Planned: %s. %s %s", amount, part.Harvest.Sign,
				strings.Join(view.CautionLines(s, p.Species, part.Name), " "))
			if one.Tied && one.Why != "" {
				description = "Tied: " + one.Why + ". " + description
			}
			events = append(events, area.Event{
				UID:   fmt.Sprintf("planned-%d-%s-%s@brambly-acre", p.ID, strings.ReplaceAll(part.Name, " ", "-"), one.Day),
				First: one.on(), Last: one.on(), Place: p.Bed.Name,
				Summary:     fmt.Sprintf("%s %s of %s", part.Harvest.Verb, amount, say.PartOf(p.Species.Names.Name, part.Name)),
				Description: description,
			})
		}
	}
	return events
}
