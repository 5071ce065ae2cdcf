package plot

import (
	"cmp"

	"bramblyacre/garden/journal"
	"bramblyacre/store"
)

// VolunteersTable holds what came up by itself: seedlings to be lifted, and weeds.
var VolunteersTable = journal.NewTable(
	"volunteers",
	(*store.Queries).GetVolunteer,
	(*store.Queries).PutVolunteer,
	(*store.Queries).DropVolunteer,
)

// Volunteers are what came up by itself.
var Volunteers = Keep(
	VolunteersTable,
	(*store.Queries).ListVolunteers,
	func(r store.Volunteer) int64 { return r.ID },
	func(a, b store.Volunteer) int { return cmp.Compare(a.ID, b.ID) },
)

// VolunteerParams is a group as it is written whole.
func VolunteerParams(row store.Volunteer) store.PutVolunteerParams {
	return store.PutVolunteerParams{
		ID: &row.ID, SpeciesID: row.SpeciesID, MotherID: row.MotherID, BedID: row.BedID, Place: row.Place, Day: row.Day,
		Plants: row.Plants, WorkedOn: row.WorkedOn, Checked: row.Checked, CheckedOn: row.CheckedOn, Note: row.Note,
		EndedOn: row.EndedOn, X: row.X, Y: row.Y, Seeding: row.Seeding, Deed: row.Deed, PlantingID: row.PlantingID,
	}
}

// What was found when one of a group of volunteers was cut and looked at.
const (
	VolunteerUnchecked = ""
	VolunteerProved    = "it is"
	VolunteerOther     = "it is not"
)
