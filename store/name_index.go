package store

import (
	"context"
	"database/sql"
	"errors"
	"fmt"
	"strings"
	"unicode"
)

// NameIndex finds things by their names, however they are spelt: an FTS5 table of
// trigrams, in memory and apart from the plot's own file.
type NameIndex struct{ db *sql.DB }

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
	if _, err := db.ExecContext(ctx, `CREATE VIRTUAL TABLE names USING fts5 (id UNINDEXED, shown UNINDEXED, plain, tokenize = 'trigram')`); err != nil {
		return nil, fmt.Errorf("make the index of names: %w", err)
	}
	tx, err := db.BeginTx(ctx, nil)
	if err != nil {
		return nil, err
	}
	insert, err := tx.PrepareContext(ctx, `INSERT INTO names (id, shown, plain) VALUES (?, ?, ?)`)
	if err != nil {
		return nil, errors.Join(err, tx.Rollback())
	}
	for _, n := range names {
		if _, err := insert.ExecContext(ctx, n.ID, n.Shown, n.Plain); err != nil {
			return nil, errors.Join(fmt.Errorf("index %q: %w", n.Shown, err), tx.Rollback())
		}
	}
	return &NameIndex{db}, tx.Commit()
}

// Near returns the names that share most with a plain text, the nearest first, at
// most so many: those with trigrams of it, or for a text too short to have any,
// those with a word that begins so.
func (n *NameIndex) Near(ctx context.Context, plain string, most int) ([]Named, error) {
	pieces := trigrams(plain)
	if len(pieces) == 0 {
		start := likeEscaped(strings.TrimSpace(plain)) + "%"
		return n.read(ctx, `SELECT id, shown, plain FROM names WHERE plain LIKE ? ESCAPE '\' OR plain LIKE ? ESCAPE '\' ORDER BY length(plain), plain LIMIT ?`, start, "% "+start, most)
	}
	return n.read(ctx, `SELECT id, shown, plain FROM names WHERE names MATCH ? ORDER BY rank LIMIT ?`, strings.Join(pieces, " OR "), most)
}

// All returns every name.
func (n *NameIndex) All(ctx context.Context) ([]Named, error) {
	return n.read(ctx, `SELECT id, shown, plain FROM names`)
}

func (n *NameIndex) read(ctx context.Context, query string, args ...any) (found []Named, err error) {
	rows, err := n.db.QueryContext(ctx, query, args...)
	if err != nil {
		return nil, fmt.Errorf("search names: %w", err)
	}
	defer func() { err = errors.Join(err, rows.Close()) }()
	for rows.Next() {
		var one Named
		if err := rows.Scan(&one.ID, &one.Shown, &one.Plain); err != nil {
			return nil, err
		}
		found = append(found, one)
	}
	return found, rows.Err()
}

// Close frees the index.
func (n *NameIndex) Close() error { return n.db.Close() }

// trigrams are the runs of three letters in each word, quoted for a search.
func trigrams(plain string) []string {
	var pieces []string
	// A control character would end or break the search's own text.
	apart := func(r rune) bool { return unicode.IsSpace(r) || unicode.IsControl(r) }
	for _, word := range strings.FieldsFunc(plain, apart) {
		letters := []rune(word)
		for i := 0; i+3 <= len(letters); i++ {
			pieces = append(pieces, `"`+strings.ReplaceAll(string(letters[i:i+3]), `"`, `""`)+`"`)
		}
	}
	return pieces
}

func likeEscaped(text string) string {
	return strings.NewReplacer(`\`, `\\`, `%`, `\%`, `_`, `\_`).Replace(text)
}
