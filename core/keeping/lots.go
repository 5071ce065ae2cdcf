package keeping

import "math"

// Kind of a thing on the way from bed to cup.
type Kind int

// What lies on the way: what was picked, what was made of it, what that was filled into.
const (
	Picking Kind = iota
	Lot
	Jar
	// Away is where what is used, given away or thrown out goes.
	Away
)

// Thing is one of them, by its number among its kind.
type Thing struct {
	Kind Kind
	ID   int64
}

// Flow is what went from one thing into another, in grams. Flows are in the order in which they were noted.
type Flow struct {
	From, To Thing
	Grams    float64
}

// Reached tells, flow by flow in their order, what things that are not to be used have got into: a thing is reached
// by a flow that came to it out of one that was itself reached by then, so that what was taken out of a jar before
// something bad was filled into it is not. The map holds the index of the flow that reached each, −1 for where it
// began.
func Reached(flows []Flow, from ...Thing) map[Thing]int {
	reached := map[Thing]int{}
	for _, t := range from {
		reached[t] = -1
	}
	for i, f := range flows {
		if _, is := reached[f.From]; !is {
			continue
		}
		if _, already := reached[f.To]; !already {
			reached[f.To] = i
		}
	}
	return reached
}

// Sources tells of what a thing consists, as shares by weight of what things of no source went into it. What is taken
// out of a jar is taken of all that is in it alike, so that what is filled up later counts for more in what is left; a
// lot is of one piece. Where nothing flowed to a thing it is all of itself.
func Sources(flows []Flow, of Thing) map[Thing]float64 {
	holds := map[Thing]map[Thing]float64{}
	for _, f := range flows {
		from, has := holds[f.From]
		if !has {
			from = map[Thing]float64{f.From: 1}
		}
		total := sum(from)
		if total <= 0 {
			continue
		}
		if holds[f.To] == nil {
			holds[f.To] = map[Thing]float64{}
		}
		for source, grams := range from {
			holds[f.To][source] += f.Grams * grams / total
		}
		if has && f.From.Kind == Jar {
			left := math.Max(0, 1-f.Grams/total)
			for source := range from {
				from[source] *= left
			}
		}
	}
	shares, has := holds[of]
	if !has {
		return map[Thing]float64{of: 1}
	}
	total := sum(shares)
	for source := range shares {
		if total > 0 {
			shares[source] /= total
		}
	}
	return shares
}

func sum(shares map[Thing]float64) (total float64) {
	for _, grams := range shares {
		total += grams
	}
	return total
}
