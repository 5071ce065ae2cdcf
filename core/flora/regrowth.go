package flora

import "encoding"

// Regrowth is the warmth in °C d in which what was cut has grown back, or that it does not
// grow back within the season: "330 (220 to 460) °C d guess", or "none".
type Regrowth struct {
	Figure
	None bool `toml:"-"`
}

const noRegrowth = "none"

var _ encoding.TextMarshaler = Regrowth{}

// UnmarshalText reads a regrowth from its line.
func (r *Regrowth) UnmarshalText(text []byte) error {
	if string(text) == noRegrowth {
		*r = Regrowth{None: true}
		return nil
	}
	*r = Regrowth{}
	return r.Figure.UnmarshalText(text)
}

// MarshalText writes a regrowth as the line it is read from.
func (r Regrowth) MarshalText() ([]byte, error) {
	if r.None {
		return []byte(noRegrowth), nil
	}
	return r.Figure.MarshalText()
}

// Grows tells whether it grows back within the season; nothing on record is that it does not.
func (r *Regrowth) Grows() bool { return r != nil && !r.None }
