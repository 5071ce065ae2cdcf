package spelling

import (
	"strings"
	"unicode"

	"golang.org/x/text/cases"
	"golang.org/x/text/unicode/norm"
)

// alike are letters of other scripts, and strange ones of ours, by the Latin letter that
// they are drawn like: a name that is written with them reads as the same name. The
// choice follows the idea of Unicode Technical Standard 39 (a skeleton of confusable
// letters); the rows are the letters of Greek and Cyrillic, and a few of Latin.
var alike = func() map[rune]rune {
	all := map[rune]rune{}
	for _, pair := range []struct{ from, to string }{
		{"аесорхуіјѕкмтвнԁԛԝһӏгвьё", "aecopxyijskmtbhdqwhlrbbe"},
		{"АЕСОРХУІЈЅКМТВНԀԚԜҺӀЗ", "aecopxyijskmtbhdqwhlz"},
		{"αβεικνορτυχγηωϲϳ", "abeikvoptuxynwcj"},
		{"ΑΒΕΖΗΙΚΜΝΟΡΤΥΧ", "abezhikmnoptyx"},
		{"ıȷɑɡɩʟǀłøđħŧƶ|01", "ijagilllodhtzlol"},
	} {
		to := []rune(pair.to)
		for i, from := range []rune(pair.from) {
			all[from] = to[i]
		}
	}
	return all
}()

// Plain writes a text for comparing: compatible forms made one (full width, ligatures),
// accents and invisible characters dropped, letters of other scripts that look like
// Latin ones turned into those, without case (ß as ss).
func Plain(text string) string {
	if plain, is := plainASCII(text); is {
		return plain
	}
	var b strings.Builder
	for _, r := range norm.NFD.String(norm.NFKC.String(text)) {
		switch {
		case unicode.In(r, unicode.Mn, unicode.Cf, unicode.Cc, unicode.Me, unicode.Variation_Selector) && !unicode.IsSpace(r):
		case alike[r] != 0:
			b.WriteRune(alike[r])
		default:
			b.WriteRune(r)
		}
	}
	return cases.Fold().String(norm.NFC.String(b.String()))
}

// plainASCII is Plain for a text of ASCII alone, which most are.
func plainASCII(text string) (plain string, is bool) {
	changed := make([]byte, 0, len(text))
	for i := range len(text) {
		switch c := text[i]; {
		case c >= 0x80:
			return "", false
		case c < ' ' && c != '\t' && c != '\n' && c != '\v' && c != '\f' && c != '\r' || c == 0x7f:
		case alike[rune(c)] != 0:
			changed = append(changed, byte(alike[rune(c)]))
		case c >= 'A' && c <= 'Z':
			changed = append(changed, c-'A'+'a')
		default:
			changed = append(changed, c)
		}
	}
	return string(changed), true
}

// Words writes a text as Plain does, with every mark that is no letter or digit taken
// for a space, and single spaces between its words.
func Words(text string) string {
	return strings.Join(
		strings.FieldsFunc(Plain(text), func(r rune) bool { return !unicode.IsLetter(r) && !unicode.IsDigit(r) }),
		" ",
	)
}

// OneLine is a name as it can be shown on one line: every run of spaces and line breaks one
// space, and what is not seen or turns the writing round left out.
func OneLine(text string) string {
	seen := strings.Map(func(r rune) rune {
		if unicode.IsSpace(r) {
			return ' '
		}
		if unicode.In(r, unicode.Cf, unicode.Cc) && r != '\u200d' { // a joiner keeps an emoji whole
			return -1
		}
		return r
	}, text)
	return strings.Join(strings.Fields(seen), " ")
}

// SamePerson tells whether two names are those of one person, however they are typed.
// Who cannot be told apart is one: two looks by one are not two people's.
func SamePerson(a, b string) bool { return PersonKey(a) == PersonKey(b) }

// PersonKey is the same for every way of typing one person's name.
func PersonKey(name string) string { return strings.ReplaceAll(Words(name), " ", "") }

// IsLatin tells whether every letter of a text is of the Latin script.
func IsLatin(text string) bool {
	for _, r := range norm.NFKC.String(text) {
		if unicode.IsLetter(r) && !unicode.Is(unicode.Latin, r) {
			return false
		}
	}
	return true
}

// NearNames tells whether two botanical names, given as genus and epithet, are so near
// that one may be the other misspelt: neither word more than two letters off, nor more
// than a third of it.
func NearNames(a, b string) bool {
	as, bs := strings.Fields(Words(a)), strings.Fields(Words(b))
	if len(as) < 2 || len(bs) < 2 {
		return false
	}
	for i := range 2 {
		off := Distance(as[i], bs[i])
		if off > 2 || 3*off > len([]rune(bs[i])) {
			return false
		}
	}
	return true
}
