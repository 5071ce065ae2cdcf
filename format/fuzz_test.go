package format

import (
	"bytes"
	"testing"
)

// FuzzReadPlan makes sure that no text ends in a panic, and that a plan that is read can be
// written and read again.
func FuzzReadPlan(f *testing.F) {
	f.Add([]byte(`{"type":"FeatureCollection","coordinates_are":"local metres","features":[null]}`))
	f.Add([]byte(`{"type":"FeatureCollection","coordinates_are":"local metres","anchor":{"name":"A","latitude":1,"bearing_deg":5,"width_m":30,"depth_m":20},"features":[{"type":"Feature","geometry":{"type":"Polygon","coordinates":[[[0,0],[9,0],[9,-9],[0,0]]]},"properties":{"what":"bed","detail":{"name":"B"}}}]}`))
	f.Add([]byte(`{"type":"FeatureCollection","coordinates_are":"local metres","features":[{"type":"Feature","geometry":null,"properties":{"what":"tree","at_m":[1,-2],"shape":"round","width_m":4,"detail":{"height":"4 m"}}}]}`))
	f.Fuzz(func(t *testing.T, text []byte) {
		data, err := ReadPlan(text)
		if err != nil {
			return
		}
		var out bytes.Buffer
		if err := WritePlan(&out, data); err != nil {
			t.Fatalf("a plan that was read cannot be written: %v", err)
		}
		if _, err := ReadPlan(out.Bytes()); err != nil {
			t.Errorf("a plan that was written cannot be read: %v\n%s", err, out.Bytes())
		}
	})
}
