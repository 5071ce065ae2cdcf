package library

import (
	"fmt"
	"io/fs"

	"bramblyacre/core/flora"
)

// readWorks reads the works that figures and cautions rest on, by id.
func readWorks(files fs.FS) (map[string]flora.Work, error) {
	works := map[string]flora.Work{}
	err := eachFile(files, "works/*.toml", func(name string, text []byte) error {
		var file struct {
			Works []flora.Work `toml:"work"`
		}
		if err := decode(name, text, &file); err != nil {
			return err
		}
		for i, work := range file.Works {
			if problems := work.Check(); len(problems) > 0 {
				return fmt.Errorf("%s: work[%d].%w", name, i, problems[0])
			}
			if _, twice := works[work.ID]; twice {
				return fmt.Errorf("%s: work[%d].id: %q stands twice", name, i, work.ID)
			}
			works[work.ID] = work
		}
		return nil
	})
	return works, err
}

// Work returns the work of an id, and whether there is one.
func (l *Library) Work(id string) (flora.Work, bool) {
	work, has := l.works[id]
	return work, has
}
