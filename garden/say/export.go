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
