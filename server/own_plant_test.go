package server

import (
	"encoding/json"
	"strings"
	"testing"

	"bramblyacre/garden/plants"
)

// A copy of a plant goes out as a sheet, comes back filled in, turns into its file and
// back, and is a plant of the library; what is wrong with it is told at its field.
func TestAPlantIsPutFromItsForm(t *testing.T) {
	h := handler(t)
	get := func(path string, into any) {
		t.Helper()
		answer := ask(h, "GET", path, "")
		if answer.Code != 200 {
			t.Fatalf("%s is answered %d: %s", path, answer.Code, answer.Body)
		}
		check(t, json.Unmarshal(answer.Body.Bytes(), into))
	}
	var words plants.PlantWords
	get("/api/plant-words", &words)
	if len(words.Stages) != 10 || len(words.Circumstances) < 30 || len(words.Stations) != 8 {
		t.Errorf("the words are %+v", words)
	}
	var copied plants.PlantFile
	get("/api/plants/garden-thyme/copy", &copied)
	copied.Sheet["size"].(map[string]any)["height"] = "tall"
	body := func() string {
		text, err := json.Marshal(map[string]any{"sheet": copied.Sheet})
		check(t, err)
		return string(text)
	}
	if answer := ask(h, "POST", "/api/own-plants", body(), "If-Match", versionFor(t, h, "/api/own-plants")); answer.Code != 422 ||
		!strings.Contains(answer.Body.String(), `"location":"body.sheet.size.height"`) {
		t.Errorf("a height that is none is answered %d: %s", answer.Code, answer.Body)
	}
	copied.Sheet["size"].(map[string]any)["height"] = "18 (12 to 25) cm measured"
	var turned plants.PlantFile
	answer := ask(h, "POST", "/api/plant-files", body())
	check(t, json.Unmarshal(answer.Body.Bytes(), &turned))
	if !strings.Contains(turned.Text, "18 (12 to 25) cm measured") || len(turned.Sheet) != len(copied.Sheet) {
		t.Errorf("turned into a file it is %.200s", turned.Text)
	}
	if answer := ask(h, "POST", "/api/own-plants", body(), "If-Match", versionFor(t, h, "/api/own-plants")); answer.Code != 200 ||
		!strings.Contains(answer.Body.String(), `"garden-thyme-own"`) {
		t.Fatalf("filled in it is answered %d: %s", answer.Code, answer.Body)
	}
	var page plants.PlantView
	get("/api/plants/garden-thyme-own", &page)
	if !page.Own || page.Botanical != "Thymus vulgaris L." {
		t.Errorf("its page is %+v", page.PlantBrief)
	}
	if answer := ask(h, "GET", "/api/files/plant/garden-thyme-own", ""); answer.Code != 200 ||
		!strings.Contains(answer.Body.String(), "garden-thyme-own") {
		t.Errorf("its file is answered %d", answer.Code)
	}
	if answer := ask(h, "DELETE", "/api/own-plants/garden-thyme-own", ""); answer.Code != 200 {
		t.Errorf("taken out it is answered %d: %s", answer.Code, answer.Body)
	}
	if answer := ask(h, "GET", "/api/plants/garden-thyme-own", ""); answer.Code != 404 {
		t.Errorf("taken out its page is answered %d", answer.Code)
	}
}
