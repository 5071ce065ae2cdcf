package spread

import (
	"errors"
	"fmt"
	"math"
	"strconv"
	"strings"

	"bramblyacre/core/spread"
	"bramblyacre/core/unit"
	"bramblyacre/garden/say"
)

// wayNames are the words by which ways are named in a request, each with what it may take after a colon.
var wayNames = map[string]spread.Way{
	"behead": spread.Behead, "edge": spread.EdgeIt, "barrier": spread.Barrier, "pot": spread.Pot, "mow": spread.MowIt,
	"dig": spread.DigOut, "smother": spread.Smother, "eat": spread.EatDown, "hens": spread.Hens, "pull": spread.Pull,
}

func nameOf(way spread.Way) string {
	for name, of := range wayNames {
		if of == way {
			return name
		}
	}
	return ""
}

// Usual times of what is done without saying how often: guesses of ours.
const usualDigs, usualSeasons = 2, 3

// readWay reads a way as it is named: "edge:2", "barrier:45 cm", "smother:3".
func readWay(text string) (c spread.Control, err error) {
	name, how, _ := strings.Cut(strings.TrimSpace(text), ":")
	way, known := wayNames[name]
	if !known {
		return c, fmt.Errorf("%q is no way of holding a plant", text)
	}
	c.Way = way
	number := func(usual int) int {
		n, e := strconv.Atoi(strings.TrimSpace(how))
		switch {
		case how == "":
			return usual
		case e != nil:
			err = fmt.Errorf("%q is not a number of times", how)
		}
		return n
	}
	switch way {
	case spread.EdgeIt:
		c.Times = number(1)
	case spread.DigOut:
		c.Times = number(usualDigs)
	case spread.Smother:
		c.Seasons = number(usualSeasons)
	case spread.Barrier:
		if how == "" {
			return c, errors.New("say how deep the board goes")
		}
		var metres float64
		if metres, err = unit.Parse(unit.Length, how, "cm"); err == nil {
			c.DepthCm = math.Round(1000*metres) / 10
		}
	}
	if err != nil {
		return c, err
	}
	return c, spread.Plan{c}.Check()
}

// readWays reads several ways, with faults at their field.
func readWays(c *say.Checklist, texts []string) (plan spread.Plan) {
	for _, text := range texts {
		control, err := readWay(text)
		if err != nil {
			c.AddError("ways", err)
			continue
		}
		plan = append(plan, control)
	}
	if err := plan.Check(); err != nil && !c.Has("ways") {
		c.AddError("ways", err)
	}
	return plan
}

// writeWay names a way as readWay reads it.
func writeWay(c spread.Control) string {
	name := nameOf(c.Way)
	switch c.Way {
	case spread.EdgeIt, spread.DigOut:
		return fmt.Sprintf("%s:%d", name, c.Times)
	case spread.Smother:
		return fmt.Sprintf("%s:%d", name, c.Seasons)
	case spread.Barrier:
		return fmt.Sprintf("%s:%g cm", name, c.DepthCm)
	}
	return name
}

func writeWays(plan spread.Plan) []string {
	names := []string{}
	for _, c := range plan {
		names = append(names, writeWay(c))
	}
	return names
}
