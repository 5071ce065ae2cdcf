package water

import "math"

// Bare is the coefficient of ground without plants, whose surface is dry: Kc min of FAO-56.
const Bare = 0.15

// Coefficient returns Kcb, what plants take of the reference's water, from the share of the ground that
// they cover (0 to 1, their leaves seen from above) and their height in m. Nothing covered takes the bare
// soil's.
//
// Source: Allen et al. 1998, FAO-56, equations 98 and 101 (natural and sparse vegetation), without the
// correction for wind and damp air, which nobody reads here.
func Coefficient(cover, heightM float64) float64 {
	cover, heightM = math.Min(1, math.Max(0, cover)), math.Max(0, heightM)
	full := math.Min(1.2, 1+0.1*heightM)
	return Bare + (full-Bare)*math.Min(1, math.Min(2*cover, math.Pow(cover, 1/(1+heightM))))
}

// mulchHolds is by how much a whole cover of loose mulch lowers what the ground gives off (FAO-56,
// chapter 11: 5 % for each 10 % of the ground that it covers).
const mulchHolds = 0.5
