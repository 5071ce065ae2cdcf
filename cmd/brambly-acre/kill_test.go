package main

import (
	"bytes"
	"encoding/json"
	"flag"
	"fmt"
	"math"
	"net/http"
	"strings"
	"sync"
	"syscall"
	"testing"
	"time"

	"bramblyacre/garden/input"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/now"
	"bramblyacre/garden/place"
	"bramblyacre/store"
)

// kills is how often the program is killed; make kill asks for a thousand.
var kills = flag.Int("kills", 6, "how often the program is killed while it writes")

// killsAPlot is after how many kills a new plot begins: one that grows without end would
// be worked out for longer than it is written.
const killsAPlot = 25

// acknowledged is what the program said it had noted.
type acknowledged struct {
	sync.Mutex
	entries map[int64]string
	// back are the entries that it said it had taken back.
	back map[int64]bool
}

func (a *acknowledged) note(entry journal.Entry) {
	a.Lock()
	defer a.Unlock()
	a.entries[entry.ID] = entry.Summary
}

// ask sends one change and returns the entry that it made; false once the program is gone
// or refuses.
func (s *process) ask(method, path, version string, body any) (entry journal.Entry, ok bool) {
	text, err := json.Marshal(body)
	if err != nil {
		return entry, false
	}
	request, err := http.NewRequest(method, s.url+path, bytes.NewReader(text))
	if err != nil {
		return entry, false
	}
	request.Header.Set("Content-Type", "application/json")
	if version != "" {
		request.Header.Set("If-Match", `"`+version+`"`)
	}
	answer, err := http.DefaultClient.Do(request)
	if err != nil {
		return entry, false
	}
	defer func() { _ = answer.Body.Close() }() // the program may be gone
	var noted struct {
		journal.Entry
		Within journal.Entry `json:"entry"`
	}
	if answer.StatusCode != http.StatusOK || json.NewDecoder(answer.Body).Decode(&noted) != nil {
		return entry, false
	}
	if noted.Within.ID != 0 {
		return noted.Within, true
	}
	return noted.Entry, noted.ID != 0
}

// lookAndTakeBack notes looks, and takes every third of them back.
func (s *process) lookAndTakeBack(said *acknowledged, round int) {
	for i := range 500 { // ended by the kill long before
		look := now.ObservationInput{Day: "2031-05-27", Stage: "in bud", Note: fmt.Sprintf("round %d look %d", round, i), ClientKey: fmt.Sprintf("%d-%d", round, i)}
		entry, ok := s.ask("POST", "/api/plantings/1/observations", "", look)
		if !ok {
			return
		}
		said.note(entry)
		if i%3 == 2 {
			back, ok := s.ask("POST", fmt.Sprintf("/api/ledger/%d/take-back", entry.ID), "", nil)
			if !ok {
				return
			}
			said.note(back)
			said.Lock()
			said.back[entry.ID] = true
			said.Unlock()
		}
	}
}

// changeTheBed writes one row again and again, always from what it last saw.
func (s *process) changeTheBed(said *acknowledged, round int) {
	for i := range 500 {
		answer, err := http.Get(s.url + "/api/plot")
		if err != nil {
			return
		}
		var plot place.PlotView
		err = json.NewDecoder(answer.Body).Decode(&plot)
		_ = answer.Body.Close() // the program may be gone
		if err != nil || len(plot.Beds) == 0 {
			return
		}
		in := plot.Beds[0].Input
		in.Note = fmt.Sprintf("round %d change %d", round, i)
		entry, ok := s.ask("PUT", "/api/beds/1", string(plot.Beds[0].Version), in)
		if !ok {
			return
		}
		said.note(entry)
	}
}

// Killed at any moment under two writers, the program loses nothing that it acknowledged,
// keeps nothing half-written, and its ledger, replayed, gives the rows that stand.
func TestKilledAtAnyMomentItLosesNothingAcknowledged(t *testing.T) {
	noted, entries := 0, 0
	for done := 0; done < *kills; done += killsAPlot {
		n, e := killAPlot(t, min(killsAPlot, *kills-done), done)
		noted, entries = noted+n, entries+e
	}
	if noted == 0 {
		t.Fatal("nothing was acknowledged before the kills")
	}
	t.Logf("%d kills: %d entries acknowledged, %d written, none lost, none apart", *kills, noted, entries)
}

// killAPlot kills the program so often over one plot, and looks after each kill.
func killAPlot(t *testing.T, times, seed int) (noted, entries int) {
	t.Helper()
	dir := t.TempDir()
	args := []string{"serve", "--data", dir, "--today", "2031-05-27"}
	s := start(t, args...)
	for path, body := range map[string]any{
		"/api/beds": place.BedInput{Name: "Long Bed", FormInput: place.FormInput{X: "10 m", Y: "5 m", Width: "8 m", Depth: "1 m"}, SunHours: new(6.0), Moisture: "moist"},
	} {
		if status, err := s.post(path, body); err != nil || status != http.StatusOK {
			t.Fatalf("%s: %d, %v", path, status, err)
		}
	}
	if status, err := s.post("/api/plantings", input.PlantingInput{BedID: 1, SpeciesID: "garden-sorrel", Plants: 9, StartedOn: "2029-04-10", Origin: "seed"}); err != nil || status != http.StatusOK {
		t.Fatalf("the planting: %d, %v", status, err)
	}
	said := &acknowledged{entries: map[int64]string{}, back: map[int64]bool{}}
	for round := range times {
		var writers sync.WaitGroup
		writers.Go(func() { s.lookAndTakeBack(said, round) })
		writers.Go(func() { s.changeTheBed(said, round) })
		// Anywhere from the first write to well into it; the same moments at every run.
		time.Sleep(time.Duration(60+(seed+round)*37%440) * time.Millisecond)
		check(t, s.cmd.Process.Signal(syscall.SIGKILL))
		writers.Wait()
		_ = s.cmd.Wait() // killed, as it should be
		if status, out, errs := run(t, "check", "--data", dir); status != 0 || !strings.Contains(out, "is whole") {
			t.Fatalf("after kill %d: %d, %s %s", seed+round, status, out, errs)
		}
		entries = said.lost(t, dir)
		s = start(t, args...)
	}
	s.stop(t)
	return len(said.entries), entries
}

// lost fails for every acknowledged entry that is not in the ledger as it was said, and
// returns how many entries there are.
func (a *acknowledged) lost(t *testing.T, dir string) int {
	t.Helper()
	s, err := store.OpenToRead(t.Context(), dir)
	check(t, err)
	defer func() { check(t, s.Close()) }()
	rows, err := s.ListLedger(t.Context(), store.ListLedgerParams{Before: math.MaxInt64, Most: math.MaxInt64})
	check(t, err)
	written := map[int64]store.Ledger{}
	for _, row := range rows {
		written[row.ID] = row
	}
	for id, summary := range a.entries {
		row, has := written[id]
		if !has || row.Summary != summary || a.back[id] && row.TakenBackBy == nil {
			t.Errorf("entry %d, %q, was acknowledged and is %+v", id, summary, row)
		}
	}
	return len(rows)
}
