package view

// CircumstanceView is a circumstance to tick.
type CircumstanceView struct {
	ID  string `json:"id"`
	Ask string `json:"ask"`
}
