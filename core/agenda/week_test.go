package agenda

import (
	"math"
	"math/rand/v2"
	"slices"
	"testing"
)

// leastLoss is the least that can be lost, for good and besides, by trying every way to put jobs on days.
func leastLoss(jobs []Job, days []Day) (best [2]float64) {
	best = [2]float64{math.Inf(1), math.Inf(1)}
	free := make([]float64, len(days))
	for i, day := range days {
		free[i] = day.Minutes
	}
	var try func(i int, lost [2]float64)
	try = func(i int, lost [2]float64) {
		if slices.Compare(lost[:], best[:]) >= 0 {
			return
		}
		if i == len(jobs) {
			best = lost
			return
		}
		j := jobs[i]
		for d, day := range days {
			if day.Date >= j.First && day.Date <= j.Last && free[d] >= j.Minutes {
				free[d] -= j.Minutes
				try(i+1, lost)
				free[d] += j.Minutes
			}
		}
		if j.First > days[len(days)-1].Date || j.Last < days[0].Date {
			try(i+1, lost)
			return
		}
		at := 1
		if j.Irreversible {
			at = 0
		}
		lost[at] += LossIfLeft(j, days)
		try(i+1, lost)
	}
	try(0, [2]float64{})
	return best
}

func someWeek(random *rand.Rand) (jobs []Job, days []Day) {
	for i := range 3 {
		days = append(days, Day{Date: today.AddDays(i), Minutes: float64(random.IntN(5) * 15), Dry: random.Float64()})
	}
	for range 7 {
		first := random.IntN(8) - 4
		jobs = append(jobs, Job{
			First: today.AddDays(first), Last: today.AddDays(first + random.IntN(9)), Minutes: float64(1+random.IntN(9)) * 5,
			Irreversible: random.IntN(4) == 0, Stake: float64(1+random.IntN(10)) / 10, Bed: int64(random.IntN(3)),
		})
	}
	return jobs, days
}

// Held against every way there is to fill small weeks: what is lost for good and besides is the least that can be in
// nearly all, and never much more.
func TestAWeekLosesLittleMoreThanTheBestOfAllWays(t *testing.T) {
	random := rand.New(rand.NewPCG(4, 7))
	const weeks = 400
	best, over := 0, 0.0
	for range weeks {
		jobs, days := someWeek(random)
		week, least := FitWeek(jobs, days), leastLoss(jobs, days)
		var lost [2]float64
		for _, i := range week.FallOff {
			if jobs[i].Irreversible {
				lost[0] += LossIfLeft(jobs[i], days)
			} else {
				lost[1] += LossIfLeft(jobs[i], days)
			}
		}
		if slices.Compare(lost[:], least[:]) < 0 && least[0]-lost[0]+least[1]-lost[1] > 1e-9 {
			t.Fatalf("%v are lost, less than can be: %v", lost, least)
		}
		if math.Abs(lost[0]-least[0])+math.Abs(lost[1]-least[1]) < 1e-9 {
			best++
		}
		over += lost[0] + lost[1] - least[0] - least[1]
	}
	t.Logf("%d of %d weeks are the best there is; the others lose %.3f more in the mean", best, weeks, over/float64(max(1, weeks-best)))
	if best < weeks*9/10 {
		t.Errorf("only %d of %d weeks are the best there is", best, weeks)
	}
}

// Whatever the week: no day holds more than its minutes, no job lies outside its days, each that could be done is
// placed or falls off, and nothing falls off that has room.
func TestAWeekHoldsWhatItSays(t *testing.T) {
	random := rand.New(rand.NewPCG(1, 2))
	for range 500 {
		jobs, days := someWeek(random)
		week := FitWeek(jobs, days)
		free, seen := map[int]float64{}, map[int]int{}
		for i, day := range days {
			free[i] = day.Minutes
		}
		for _, p := range week.Placed {
			seen[p.Job]++
			free[p.Day] -= jobs[p.Job].Minutes
			if date := days[p.Day].Date; date < jobs[p.Job].First || date > jobs[p.Job].Last {
				t.Fatalf("%+v is put on %s", jobs[p.Job], date)
			}
		}
		for day, left := range free {
			if left < 0 {
				t.Fatalf("%.0f minutes too many on day %d", -left, day)
			}
		}
		for _, i := range week.FallOff {
			seen[i]++
			for d, day := range days {
				if day.Date >= jobs[i].First && day.Date <= jobs[i].Last && jobs[i].Minutes <= free[d] {
					t.Fatalf("%+v falls off though day %d has %.0f minutes", jobs[i], d, free[d])
				}
			}
		}
		for i, j := range jobs {
			want := 0
			if j.First <= days[len(days)-1].Date && j.Last >= today {
				want = 1
			}
			if seen[i] != want {
				t.Fatalf("%+v is told %d times, want %d", j, seen[i], want)
			}
		}
	}
}

func TestADaySuitsAJob(t *testing.T) {
	days := []Day{
		{Date: today, Minutes: math.Inf(1), Dry: 0.2}, {Date: today.AddDays(1), Minutes: math.Inf(1), Dry: 0.9},
		{Date: today.AddDays(2), Minutes: math.Inf(1), Dry: 0.8},
	}
	week := Job{First: today, Last: today.AddDays(9), Minutes: 10, Stake: 0.1}
	dry, roof, best, early := week, week, week, week
	dry.Wants, roof.Wants, best.BestFirst, best.BestLast = DryDay, UnderRoof, today.AddDays(2), today.AddDays(3)
	best.Bed, early.Bed = 7, 7
	for i, want := range []int{1, 0, 2, 2} { // the last goes to the bed that is walked to
		got := FitWeek([]Job{dry, roof, best, early}, days)
		at := slices.IndexFunc(got.Placed, func(p Placed) bool { return p.Job == i })
		if got.Placed[at].Day != want {
			t.Errorf("job %d is put on day %d, want %d", i, got.Placed[at].Day, want)
		}
	}
}

func TestWaitingCostsMoreTheFewerDaysAreLeft(t *testing.T) {
	j := Job{First: today, Last: today.AddDays(9), Stake: 1}
	for days, want := range map[int]float64{-5: 0.1, 0: 0.1, 5: 0.2, 9: 1, 12: 1} {
		if got := j.LostADay(today.AddDays(days)); math.Abs(got-want) > 1e-9 {
			t.Errorf("after %d days a day costs %v, want %v", days, got, want)
		}
	}
	small, great := Job{Key: "small", Last: today.AddDays(3), Stake: 0.1}, Job{Key: "great", Last: today.AddDays(6), Stake: 0.9}
	jobs := []Job{small, great}
	Order(jobs, today)
	if jobs[0].Key != "great" {
		t.Error("what loses less a day goes first")
	}
}

// BenchmarkFitWeek fits the jobs of three hundred plantings into an hour a day.
func BenchmarkFitWeek(b *testing.B) {
	random := rand.New(rand.NewPCG(8, 9))
	var days []Day
	for i := range 7 {
		days = append(days, Day{Date: today.AddDays(i), Minutes: 60, Dry: random.Float64()})
	}
	var jobs []Job
	for range 400 {
		first := random.IntN(30) - 25
		jobs = append(jobs, Job{
			First: today.AddDays(first), Last: today.AddDays(first + 5 + random.IntN(60)), Minutes: float64(2 + random.IntN(40)),
			Irreversible: random.IntN(6) == 0, Stake: float64(1+random.IntN(60)) / 100, Bed: int64(random.IntN(30)),
		})
	}
	for b.Loop() {
		FitWeek(jobs, days)
	}
}
