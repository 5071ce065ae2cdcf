package flora

// FullGrownYear returns the year of life in which a species shows all that it has, from 1: its
// only one for an annual, its second for a biennial, else that of its full age, or of its first flower
// where that is later.
func (s *Species) FullGrownYear() int {
	switch s.Life.Form {
	case Annual:
		return 1
	case Biennial:
		return 2
	}
	year := max(1, int(s.Life.FullAge.Value))
	if first := s.Flowering.FirstYear; first != nil {
		year = max(year, int(first.Value))
	}
	return year
}
