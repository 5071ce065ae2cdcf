package flora

// Work is a work that figures and cautions rest on.
type Work struct {
	ID     string `toml:"id"`
	Author string `toml:"author"`
	// Year is 0 for a series that still appears.
	Year  int    `toml:"year"`
	Title string `toml:"title"`
	Kind  string `toml:"kind"`
}

// WorkKinds are the kinds of works.
var WorkKinds = []string{"monograph", "flora", "paper", "book", "guide", "data"}

// Check returns what is wrong with a work; none if it can be named.
func (w Work) Check() []Problem {
	c := &checker{}
	c.want(identifier.MatchString(w.ID), "id", "%q must be lower-case letters, digits and hyphens", w.ID)
	c.want(w.Author != "" && w.Title != "", "title", "needs author and title")
	c.want(w.Year == 0 || w.Year > 1700 && w.Year < 2200, "year", "%d is no year of a work", w.Year)
	c.oneOf("kind", w.Kind, WorkKinds...)
	return c.problems
}
