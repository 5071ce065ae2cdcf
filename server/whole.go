package server

import (
	"encoding/json"
	"fmt"
	"io"

	"github.com/danielgtaylor/huma/v2"
)

// whole writes an answer only once all of it is made: one that cannot be written as JSON
// ends the request as any fault does, instead of half an answer under a status that says
// all is well.
var whole = huma.Format{
	Marshal: func(w io.Writer, answer any) error {
		text, err := json.Marshal(answer)
		if err != nil {
			panic(fmt.Errorf("write an answer: %w", err))
		}
		_, err = w.Write(text)
		return err
	},
	Unmarshal: huma.DefaultJSONFormat.Unmarshal,
}
