package say

const LongestKey = 64

func ReadClientKey(key string) *string {
	if key == "" {
		return nil
	}
	return &key
}
