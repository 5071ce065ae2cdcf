package agenda

import (
	"testing"
	"time"

	"bramblyacre/core/calendar"
)

var today = calendar.Must(2031, time.May, 27)

func job(key string, first, last int, irreversible bool) Job {
	return Job{Key: key, First: today.AddDays(first), Last: today.AddDays(last), Irreversible: irreversible}
}

func TestUrgency(t *testing.T) {
	tests := []struct {
		job  Job
		want Urgency
	}{
		{job("over", -20, -1, false), Neither},
		{job("last day", -20, 0, false), Closing},
		{job("a week left", -20, 7, false), Closing},
		{job("eight days left", -20, 8, false), Open},
		{job("eight days left, for good", -20, 8, true), Closing},
		{job("fifteen days left, for good", -20, 15, true), Open},
		{job("opens tomorrow", 1, 3, false), Coming},
		{job("opens in three weeks", 21, 30, false), Coming},
		{job("opens later", 22, 30, false), Neither},
	}
	for _, test := range tests {
		if got := UrgencyOn(test.job, today); got != test.want {
			t.Errorf("%s is %q, want %q", test.job.Key, got, test.want)
		}
	}
}

func TestOrderPutsLossForGoodFirstThenWhatClosesSoonest(t *testing.T) {
	jobs := []Job{
		job("coming late", 15, 40, false), job("open", -5, 30, false), job("closing", -5, 3, false),
		job("coming soon", 2, 40, false), job("closing for good", -5, 6, true), job("closing sooner", -5, 1, false),
	}
	Order(jobs, today)
	want := []string{"closing for good", "closing sooner", "closing", "open", "coming soon", "coming late"}
	for i, j := range jobs {
		if j.Key != want[i] {
			t.Errorf("place %d is %q, want %q", i, j.Key, want[i])
		}
	}
}
