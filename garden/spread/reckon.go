package spread

import (
	"reflect"
	"sync"

	"bramblyacre/core/parallel"
	"bramblyacre/core/spread"
	"bramblyacre/core/suitability"
	"bramblyacre/garden/plot"
	"bramblyacre/store"
)

// reckoning is the plot's spread as of one state. It is not changed once made.
type reckoning struct {
	state  *plot.State
	clock  *clock
	ground *ground
	with   *spread.Reckoning
	// beds and items are what the ground was laid out from.
	beds  []store.Bed
	items []plot.Item

	places []suitability.Place
	// poor are the beds that do not suit each kind, by its id, made when first asked for.
	poor   sync.Map
	stands map[int64]*stand
	order  []*stand
}

// stand is a planting that spreads, ready to be run.
type stand struct {
	planting *plot.Planting
	*spread.Ready
	of spread.Stand
}

// reckon works the plot's spread out, and takes over from the reckoning before the stands of which nothing changed.
func (u *Uses) reckon(s *plot.State) (*reckoning, error) {
	u.last.Lock()
	defer u.last.Unlock()
	before := u.last.reckoning
	if before != nil && before.state == s {
		return before, nil
	}
	r := &reckoning{
		state:  s,
		clock:  newClock(s.Sky.Normals()),
		beds:   s.Beds,
		items:  s.Items,
		stands: map[int64]*stand{},
	}
	lies := before != nil && reflect.DeepEqual(before.beds, r.beds) && reflect.DeepEqual(before.items, r.items) &&
		reflect.DeepEqual(before.state.Boundary, s.Boundary)
	if lies {
		r.ground = before.ground
	} else {
		ground, err := groundOf(s)
		if err != nil {
			return nil, err
		}
		r.ground = ground
	}
	r.with = &spread.Reckoning{
		Lore: s.Lib.Spread(), Bench: s.Lib.Bench(), Terrain: r.ground.terrain, Seed: uint64(s.Site.WeatherSeed),
	}
	lore, lows := s.Lib.Ground(), s.WinterLows()
	for _, bed := range s.Beds {
		r.places = append(r.places, s.Place(bed, lore, lows, nil))
	}
	for _, p := range s.Plantings {
		if spreads(p) && isOnRecord(p.Species) {
			r.order = append(r.order, &stand{planting: p, of: r.standOf(s, p)})
		}
	}
	parallel.Each(len(r.order), func(i int) {
		one := r.order[i]
		if lies {
			if old := before.stands[one.planting.ID]; old != nil && reflect.DeepEqual(old.of, one.of) {
				one.Ready = old.Ready
				return
			}
		}
		one.Ready = r.with.Prepare(one.of)
	})
	for _, one := range r.order {
		r.stands[one.planting.ID] = one
	}
	u.last.reckoning = r
	return r, nil
}
