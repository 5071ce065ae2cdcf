package say

// CompareTexts compares pairs of texts until one pair differs.
func CompareTexts(pairs ...string) int {
	for i := 0; i+1 < len(pairs); i += 2 {
		if pairs[i] < pairs[i+1] {
			return -1
		}
		if pairs[i] > pairs[i+1] {
			return 1
		}
	}
	return 0
}

// CompareBools orders false before true.
func CompareBools(a, b bool) int {
	switch {
	case a == b:
		return 0
	case a:
		return 1
	}
	return -1
}

// Distinct leaves out what stands twice, as the rest at both ends.
func Distinct[T comparable](all []T) []T {
	var once []T
	had := map[T]bool{}
	for _, one := range all {
		if !had[one] {
			had[one] = true
			once = append(once, one)
		}
	}
	return once
}
