package server

import (
	"encoding/json"
	"fmt"
	"sync"
	"testing"

	"bramblyacre/garden/journal"
	"bramblyacre/garden/place"
)

// Many requests at a time, some changing and some reading, all get their answer,
// and every acknowledged change is in the ledger once.
func TestManyRequestsAtATime(t *testing.T) {
	h := handler(t)
	bed := `{"name":"Bed %d","x":"%d m","y":"5 m","width":"1 m","depth":"1 m","sunHours":6,"moisture":"moist"}`
	ground := `{"name":"Ground","x":"10 m","y":"12 m","width":"4 m","depth":"1 m","sunHours":6,"moisture":"moist"}`
	planting := `{"bedId":1,"speciesId":"garden-sorrel","plants":9,"startedOn":"2029-04-10","origin":"seed","labelled":true,"source":"Label of a nursery."}`
	if answer := ask(h, "POST", "/api/beds", ground); answer.Code != 200 {
		t.Fatal(answer.Body)
	}
	if answer := ask(h, "POST", "/api/plantings", planting); answer.Code != 200 {
		t.Fatal(answer.Body)
	}
	const writers, each = 4, 5
	var all sync.WaitGroup
	for writer := range writers {
		all.Go(func() {
			for i := range each {
				n := writer*each + i
				if answer := ask(h, "POST", "/api/beds", fmt.Sprintf(bed, n, 1+n)); answer.Code != 200 {
					t.Errorf("bed %d: %d %s", n, answer.Code, answer.Body)
				}
			}
		})
		all.Go(func() {
			for _, path := range []string{"/api/now", "/api/plantings/1", "/api/plot", "/api/site", "/api/ribbon", "/api/round", "/api/gather", "/api/ledger", "/api/find?words=bed", "/api/files/calendar"} {
				if answer := ask(h, "GET", path, ""); answer.Code != 200 {
					t.Errorf("%s: %d %s", path, answer.Code, answer.Body)
				}
			}
		})
	}
	all.Wait()
	var ledger journal.LedgerView
	check(t, json.Unmarshal(ask(h, "GET", "/api/ledger?kind=bed&most=200", "").Body.Bytes(), &ledger))
	var plot place.PlotView
	check(t, json.Unmarshal(ask(h, "GET", "/api/plot", "").Body.Bytes(), &plot))
	if len(ledger.Lines) != writers*each+1 || len(plot.Beds) != writers*each+1 {
		t.Errorf("%d entries and %d beds; want %d of both", len(ledger.Lines), len(plot.Beds), writers*each+1)
	}
	ids := map[int64]bool{}
	for _, b := range plot.Beds {
		ids[b.ID] = true
	}
	if len(ids) != writers*each+1 {
		t.Errorf("the beds share ids: %v", ids)
	}
}
