package garden

import (
	"context"
	"fmt"

	"bramblyacre/store"
)

// The answers to a job.
const (
	Done   = "done"
	NotYet = "not yet"
	Skip   = "skip"
)

// notYetDays is for how long "not yet" puts a job off.
const notYetDays = 3

var answerWords = map[string]string{Done: "Done", NotYet: "Not yet", Skip: "Skipped"}

// AnswerJob notes that a job is done, put off for three days, or skipped this
// season.
func (g *Garden) AnswerJob(ctx context.Context, key, answer string) (Entry, error) {
	return g.change(ctx, func(s *state, d *draft) (record, error) {
		said, known := answerWords[answer]
		if !known {
			return record{}, Faults{{Field: "answer", Message: "Say done, not yet or skip."}}
		}
		for _, j := range g.jobs(s, s.today) {
			if j.Key != key || j.view.PlantingID == 0 {
				continue
			}
			if answer == Done && j.view.Kind == "check" {
				return record{}, Faults{{Field: "answer", Message: "A check is done by noting on the planting how it was proved."}}
			}
			row := store.PutJobAnswerParams{PlantingID: j.view.PlantingID, JobKey: key, Answer: answer, Day: s.today.String()}
			if answer == NotYet {
				until := s.today.AddDays(notYetDays).String()
				row.UntilDay = &until
			}
			if _, err := jobAnswersTable.Put(ctx, d, 0, row); err != nil {
				return record{}, err
			}
			p := s.byID[j.view.PlantingID]
			summary := fmt.Sprintf("%s: %s %s in %s", said, lowerFirst(j.view.Verb), j.view.What, p.bed.Name)
			return record{kind: "job", summary: summary, bed: &p.BedID, planting: &p.ID}, nil
		}
		return record{}, NotFoundError{"job today"}
	})
}
