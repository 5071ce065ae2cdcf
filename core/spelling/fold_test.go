package spelling

import "testing"

func TestOnePersonHoweverTheNameIsTyped(t *testing.T) {
	for _, typed := range []string{"Ida", " ida ", "IDA", "Ida.", "I\u200bd\u200da", "Ｉｄａ", "Іdа", "Idà", "Ida\u00a0", "\u202eIda", "Ιda", "I.D.A."} {
		if !SamePerson("Ida", typed) {
			t.Errorf("%q is taken for another person than Ida", typed)
		}
	}
	for _, other := range []string{"Joss", "Ada", "Idar", "", "Ia"} {
		if SamePerson("Ida", other) {
			t.Errorf("%q is taken for Ida", other)
		}
	}
}

func TestPlainReadsAlikeWhatLooksAlike(t *testing.T) {
	for _, test := range []struct{ text, want string }{
		{"Conium maculatum", "conium maculatum"},
		{"Соnium maсulatum", "conium maculatum"}, // Cyrillic С and с
		{"Cοnium maculatum", "conium maculatum"}, // Greek omicron
		{"Conium\u200b maculatum", "conium maculatum"},
		{"ＣＯＮＩＵＭ", "conium"},
		{"Liebstöckel", "liebstockel"},
		{"Weißwurz", "weisswurz"},
		{"ﬁcus", "ficus"},
		{"a\tb", "a\tb"},
	} {
		if got := Plain(test.text); got != test.want {
			t.Errorf("Plain(%q) = %q, want %q", test.text, got, test.want)
		}
	}
	if got := Words("  Reine-des-prés, (d'été) "); got != "reine des pres d ete" {
		t.Errorf("Words gave %q", got)
	}
}

// The quick way for ASCII gives what the long way gives.
func TestASCIIIsReadTheSameWay(t *testing.T) {
	for c := range rune(0x80) {
		text := "a" + string(c) + "B"
		quick, _ := plainASCII(text)
		long := Plain(text + "é") // the accent sends it the long way
		if quick+"e" != long {
			t.Errorf("%q is %q one way and %q the other", text, quick, long)
		}
	}
}

func TestNearNames(t *testing.T) {
	for _, near := range []string{"Conium maculatum", "Conium maculatun", "Coniun maculatum", "Konium makulatum", "Conium maculatum L.", "conium  Maculatüm"} {
		if !NearNames(near, "Conium maculatum") {
			t.Errorf("%q is not near hemlock's name", near)
		}
	}
	for _, far := range []string{"Cicuta virosa", "Conium", "Conioselinum chinense"} {
		if NearNames(far, "Conium maculatum") {
			t.Errorf("%q is near hemlock's name", far)
		}
	}
	if !IsLatin("Conium maculatum L. × hybr.") || IsLatin("Соnium maculatum") {
		t.Error("the script is misread")
	}
}

func TestANameStandsOnOneLine(t *testing.T) {
	for text, want := range map[string]string{
		"Ida": "Ida", " Ida \n Joss\t": "Ida Joss", "\u202eadI": "adI", "Ida\u200b": "Ida", "\x00": "", "\u2028": "", "Ida 🌿": "Ida 🌿", "👩\u200d🌾": "👩\u200d🌾", "Zoë": "Zoë",
	} {
		if got := OneLine(text); got != want {
			t.Errorf("OneLine(%q) = %q, want %q", text, got, want)
		}
	}
}
