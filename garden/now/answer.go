package now

import (
	"context"
	"fmt"

	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
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
func (u *Uses) AnswerJob(ctx context.Context, key, answer string) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		said, known := answerWords[answer]
		if !known {
			return journal.Record{}, say.Faults{{Field: "answer", Message: "Say done, not yet or skip."}}
		}
		for _, j := range u.jobs(s, s.Today) {
			if j.Key != key || j.View.PlantingID == 0 {
				continue
			}
			if answer == Done && j.View.Kind == "check" {
				return journal.Record{}, say.Faults{
					{Field: "answer", Message: "A check is done by noting on the planting how it was proved."},
				}
			}
			for _, part := range each(j) {
				row := store.PutJobAnswerParams{
					PlantingID: part.View.PlantingID,
					JobKey:     part.Key,
					Answer:     answer,
					Day:        s.Today.String(),
				}
				if answer == NotYet {
					until := s.Today.AddDays(notYetDays).String()
					row.UntilDay = &until
				}
				if _, err := jobAnswersTable.Put(ctx, d, 0, row); err != nil {
					return journal.Record{}, err
				}
			}
			p := s.ByID[j.View.PlantingID]
			summary := fmt.Sprintf("%s: %s %s in %s", said, say.LowerFirst(j.View.Verb), j.View.What, p.Bed.Name)
			return journal.Record{Kind: "job", Summary: summary, Bed: &p.BedID, Planting: &p.ID}, nil
		}
		return journal.Record{}, say.NotFoundError{What: "job today"}
	})
}
