package propagation

// RootFit is how a seedling's root goes into a cell.
type RootFit string

// How a root goes into a cell: as it is, shortened, or not at all.
const (
	RootFits   RootFit = "fits"
	RootTrim   RootFit = "trim"
	RootDeeper RootFit = "deeper"
)

// FitRoot tells how a root of a length goes straight down into a cell of a depth, both in cm:
// it fits; or it is longer by no more than the share that may be cut off (0–1) and is trimmed; or a
// deeper cell is wanted. A root is never bent up at its tip.
func FitRoot(rootCM, depthCM, mayCut float64) RootFit {
	switch {
	case rootCM <= depthCM:
		return RootFits
	case rootCM*(1-mayCut) <= depthCM:
		return RootTrim
	}
	return RootDeeper
}

// RootLength is the length of a seedling's main root in cm after weeks of growth, at a rate in
// cm a week, no longer than it gets at all.
func RootLength(weeks, rateCMWeek, longestCM float64) float64 {
	return min(max(weeks, 0)*rateCMWeek, longestCM)
}
