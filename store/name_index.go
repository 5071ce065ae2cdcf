package store

import (
	"cmp"
	"context"
	"database/sql"
	"errors"
	"fmt"
	"runtime"
	"slices"
	"strings"
	"unicode"
)

// NameIndex finds things by their names, however they are spelt: an FTS5 table of
// trigrams, in memory and apart from the plot's own file.
type NameIndex struct {
	db *sql.DB
	// named are the things by their plain name: a name that many share is indexed once.
	// plains are those names, each at its row's number.
	named  map[string][]Named
	plains []string
	// commonness is in how many names each trigram stands.
	commonness map[string]int
}

// Named is a name of a thing. Plain is the name without accents and case, which is
// what is searched.
type Named struct{ ID, Shown, Plain string }

// NewNameIndex makes an index of names.
func NewNameIndex(ctx context.Context, names []Named) (_ *NameIndex, err error) {
	db, err := sql.Open("sqlite", ":memory:")
	if err != nil {
		return nil, fmt.Errorf("open the index of names: %w", err)
	}
	// A database in memory is its connection's own: there may be only one.
	db.SetMaxOpenConns(1)
	db.SetMaxIdleConns(1)
	defer func() {
		if err != nil {
			err = errors.Join(err, db.Close())
		}
	}()
	if _, err := db.ExecContext(
		ctx,
		`CREATE VIRTUAL TABLE names USING fts5 (plain, tokenize = 'trigram', columnsize = 0); CREATE VIRTUAL TABLE pieces USING fts5vocab (names, row)`,
	); err != nil {
		return nil, fmt.Errorf("make the index of names: %w", err)
	}
	tx, err := db.BeginTx(ctx, nil)
	if err != nil {
		return nil, err
	}
	insert, err := tx.PrepareContext(ctx, `INSERT INTO names (rowid, plain) VALUES (?, ?)`)
	if err != nil {
		return nil, errors.Join(err, tx.Rollback())
	}
	index := &NameIndex{db, map[string][]Named{}, []string{""}, map[string]int{}}
	// An index that gives way to another may still be searched: it goes when nobody holds it.
	runtime.AddCleanup(index, func(db *sql.DB) { _ = db.Close() }, db)
	for _, n := range names {
		index.named[n.Plain] = append(index.named[n.Plain], n)
		if len(index.named[n.Plain]) > 1 {
			continue
		}
		if _, err := insert.ExecContext(ctx, len(index.plains), n.Plain); err != nil {
			return nil, errors.Join(fmt.Errorf("index %q: %w", n.Shown, err), tx.Rollback())
		}
		index.plains = append(index.plains, n.Plain)
	}
	if err := tx.Commit(); err != nil {
		return nil, err
	}
	return index, index.count(ctx)
}

// count reads in how many names each trigram stands.
func (n *NameIndex) count(ctx context.Context) (err error) {
	rows, err := n.db.QueryContext(ctx, `SELECT term, doc FROM pieces`)
	if err != nil {
		return fmt.Errorf("count the pieces of names: %w", err)
	}
	defer func() { err = errors.Join(err, rows.Close()) }()
	for rows.Next() {
		var piece string
		var names int
		if err := rows.Scan(&piece, &names); err != nil {
			return err
		}
		n.commonness[piece] = names
	}
	return rows.Err()
}

const (
	// fewestPieces is how many trigrams of a text are looked up at least, and
	// mostLookedAt about how many names may have to be ranked for the others: common
	// trigrams tell little and cost most.
	fewestPieces = 3
	mostLookedAt = 300
)

// telling are the trigrams of a text that tell most: the rarest, as long as few names
// have them.
func (n *NameIndex) telling(pieces []string) []string {
	slices.SortStableFunc(pieces, func(a, b string) int { return cmp.Compare(n.commonness[a], n.commonness[b]) })
	looked, known := 0, 0
	for i, piece := range pieces {
		if known >= fewestPieces && looked+n.commonness[piece] > mostLookedAt {
			return pieces[:i]
		}
		looked += n.commonness[piece]
		if n.commonness[piece] > 0 {
			known++
		}
	}
	return pieces
}

// Near returns the names that share most with a plain text, the nearest first, at
// most so many: those with trigrams of it, or for a text too short to have any,
// those with a word that begins so.
func (n *NameIndex) Near(ctx context.Context, plain string, most int) ([]Named, error) {
	pieces := trigrams(plain)
	if len(pieces) == 0 {
		start := likeEscaped(strings.TrimSpace(plain)) + "%"
		return n.read(
			ctx,
			`SELECT rowid FROM names WHERE plain LIKE ? ESCAPE '\' OR plain LIKE ? ESCAPE '\' ORDER BY length(plain), plain LIMIT ?`,
			start,
			"% "+start,
			most,
		)
	}
	quoted := []string{}
	for _, piece := range n.telling(pieces) {
		quoted = append(quoted, `"`+strings.ReplaceAll(piece, `"`, `""`)+`"`)
	}
	plains, err := n.search(ctx, `SELECT rowid FROM names WHERE names MATCH ?`, strings.Join(quoted, " OR "))
	if err != nil {
		return nil, err
	}
	return n.expand(nearest(plains, pieces, most)), nil
}

// nearest are the names that have most of the pieces, of those the shortest, at most so
// many.
func nearest(plains, pieces []string, most int) []string {
	shared := make(map[string]int, len(plains))
	for _, plain := range plains {
		for _, piece := range pieces {
			if strings.Contains(plain, piece) {
				shared[plain]++
			}
		}
	}
	slices.SortFunc(plains, func(a, b string) int {
		return cmp.Or(cmp.Compare(shared[b], shared[a]), cmp.Compare(len(a), len(b)), cmp.Compare(a, b))
	})
	return plains[:min(len(plains), most)]
}

func (n *NameIndex) expand(plains []string) (found []Named) {
	for _, plain := range plains {
		found = append(found, n.named[plain]...)
	}
	return found
}

// All returns every name.
func (n *NameIndex) All(ctx context.Context) ([]Named, error) {
	return n.read(ctx, `SELECT rowid FROM names`)
}

func (n *NameIndex) read(ctx context.Context, query string, args ...any) ([]Named, error) {
	plains, err := n.search(ctx, query, args...)
	return n.expand(plains), err
}

func (n *NameIndex) search(ctx context.Context, query string, args ...any) (found []string, err error) {
	rows, err := n.db.QueryContext(ctx, query, args...)
	if err != nil {
		return nil, fmt.Errorf("search names: %w", err)
	}
	defer func() { err = errors.Join(err, rows.Close()) }()
	for rows.Next() {
		var row int
		if err := rows.Scan(&row); err != nil {
			return nil, err
		}
		// Only the number is read: to fetch each name's text would cost most of a search.
		found = append(found, n.plains[row])
	}
	return found, rows.Err()
}

// Close frees the index.
func (n *NameIndex) Close() error { return n.db.Close() }

// trigrams are the runs of three letters in each word.
func trigrams(plain string) []string {
	var pieces []string
	// A control character would end or break the search's own text.
	apart := func(r rune) bool { return unicode.IsSpace(r) || unicode.IsControl(r) }
	for _, word := range strings.FieldsFunc(plain, apart) {
		letters := []rune(word)
		for i := 0; i+3 <= len(letters); i++ {
			pieces = append(pieces, string(letters[i:i+3]))
		}
	}
	return pieces
}

func likeEscaped(text string) string {
	return strings.NewReplacer(`\`, `\\`, `%`, `\%`, `_`, `\_`).Replace(text)
}
