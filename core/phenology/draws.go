package phenology

import (
	"math"
	"math/rand/v2"
	"sync"

	"gonum.org/v1/gonum/stat/distuv"
)

// draws are how far off, on the log scale, each stage of a plan is in one course after
// another, drawn from what is known of the pace.
type draws struct {
	table  [][]float64 // standard normal, by course and stage
	n      int
	farOut float64
	of     [2]spreadOut
	off    []float64
}

// spreadOut is a normal distribution over the stages of a plan: their means, and the lower
// root of their covariance.
type spreadOut struct {
	mean []float64
	root [][]float64
}

// draws returns what draws from a pace for a number of courses.
func (p *Plan) draws(pace Pace, courses int) *draws {
	d := &draws{table: evenNormals(courses, len(p.rules)+1), farOut: pace.farOut, off: make([]float64, len(p.rules))}
	for i := range d.of {
		d.of[i] = p.spreadOut(&pace.beliefs[i])
	}
	return d
}

func (p *Plan) spreadOut(b *belief) spreadOut {
	n := len(p.rules)
	s := spreadOut{mean: make([]float64, n), root: make([][]float64, n)}
	shared := b.cov[lastingPart][lastingPart] + 2*b.cov[lastingPart][yearPart] + b.cov[yearPart][yearPart]
	for i, rule := range p.rules {
		part, off := stagePart(rule.Stage), p.off[i+1]
		s.mean[i] = b.mean[lastingPart] + b.mean[yearPart] + off*b.mean[part]
		s.root[i] = make([]float64, n)
		for j := 0; j <= i; j++ {
			other, otherOff := stagePart(p.rules[j].Stage), p.off[j+1]
			s.root[i][j] = shared + off*(b.cov[lastingPart][part]+b.cov[yearPart][part]) +
				otherOff*(b.cov[lastingPart][other]+b.cov[yearPart][other]) + off*otherOff*b.cov[part][other]
		}
	}
	// Cholesky's root, in place; what has no variance of its own left stays at nothing.
	for j := range n {
		for k := range j {
			s.root[j][j] -= s.root[j][k] * s.root[j][k]
		}
		s.root[j][j] = math.Sqrt(math.Max(0, s.root[j][j]))
		for i := j + 1; i < n; i++ {
			for k := range j {
				s.root[i][j] -= s.root[i][k] * s.root[j][k]
			}
			if s.root[j][j] > 1e-9 {
				s.root[i][j] /= s.root[j][j]
			} else {
				s.root[i][j] = 0
			}
		}
	}
	return s
}

// next returns how far off each stage is in the next course. The slice is used again.
func (d *draws) next() []float64 {
	z := d.table[d.n]
	d.n++
	from := &d.of[0]
	// The last column is an even share: it says which of the two suppositions holds.
	if z[len(d.off)] < d.farOut {
		from = &d.of[1]
	}
	for i, sum := range from.mean {
		row := from.root[i][:i+1]
		for j, z := range z[:len(row)] {
			sum += row[j] * z
		}
		d.off[i] = sum
	}
	return d.off
}

var (
	normalsMu sync.Mutex
	normals   = map[[2]int][][]float64{}
)

// evenNormals returns standard normal numbers for a number of courses, and in the last
// column shares between 0 and 1: each column spread evenly over its whole range in an order
// of its own (Latin hypercube sampling, McKay, Beckman and Conover 1979, Technometrics
// 21:239–245). The same numbers every time, made once; they are read, never written.
func evenNormals(courses, columns int) [][]float64 {
	normalsMu.Lock()
	defer normalsMu.Unlock()
	key := [2]int{courses, columns}
	if made, has := normals[key]; has {
		return made
	}
	table := make([][]float64, courses)
	for n := range table {
		table[n] = make([]float64, columns)
	}
	rng := rand.New(rand.NewPCG(1979, 239))
	for column := range columns {
		for n, place := range rng.Perm(courses) {
			table[n][column] = (float64(place) + 0.5) / float64(courses)
			if column < columns-1 {
				table[n][column] = distuv.UnitNormal.Quantile(table[n][column])
			}
		}
	}
	normals[key] = table
	return table
}

// The steps and the bounds of the exponential's table.
const expSteps, expMost = 512, 3

var expTable = func() (table [2*expMost*expSteps + 1]float64) {
	for i := range table {
		table[i] = math.Exp(float64(i)/expSteps - expMost)
	}
	return table
}()

// quickExp is the exponential of x, to nine digits. A forecast asks for thousands, and the
// library's took a fifth of its time.
func quickExp(x float64) float64 {
	at := (x + expMost) * expSteps
	if !(at >= 0 && at < 2*expMost*expSteps) {
		return math.Exp(x)
	}
	i := int(at)
	rest := (at - float64(i)) / expSteps
	return expTable[i] * (1 + rest*(1+rest*(0.5+rest/6)))
}
