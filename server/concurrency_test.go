package server

import (
	"encoding/json"
	"fmt"
	"sync"
	"testing"

	"bramblyacre/garden"
)

// Many requests at a time, some changing and some reading, all get their answer,
// and every acknowledged change is in the ledger once.
func TestManyRequestsAtATime(t *testing.T) {
	h := handler(t)
	bed := `{"name":"Bed %d","x":"%d m","y":"5 m","width":"1 m","depth":"1 m","sunHours":6,"moisture":"moist"}`
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
			for _, path := range []string{"/api/now", "/api/plot", "/api/site", "/api/ribbon", "/api/round", "/api/gather", "/api/ledger", "/api/find?words=bed", "/api/files/calendar"} {
				if answer := ask(h, "GET", path, ""); answer.Code != 200 {
					t.Errorf("%s: %d %s", path, answer.Code, answer.Body)
				}
			}
		})
	}
	all.Wait()
	var ledger garden.LedgerView
	check(t, json.Unmarshal(ask(h, "GET", "/api/ledger?kind=bed&most=200", "").Body.Bytes(), &ledger))
	var plot garden.PlotView
	check(t, json.Unmarshal(ask(h, "GET", "/api/plot", "").Body.Bytes(), &plot))
	if len(ledger.Lines) != writers*each || len(plot.Beds) != writers*each {
		t.Errorf("%d entries and %d beds; want %d of both", len(ledger.Lines), len(plot.Beds), writers*each)
	}
	orders := map[int64]bool{}
	for _, b := range plot.Beds {
		orders[b.ID] = true
	}
	if len(orders) != writers*each {
		t.Errorf("the beds share ids: %v", orders)
	}
}
