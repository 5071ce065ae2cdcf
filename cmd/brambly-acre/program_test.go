package main

import (
	"bufio"
	"bytes"
	"encoding/json"
	"errors"
	"fmt"
	"net/http"
	"os"
	"os/exec"
	"path/filepath"
	"strings"
	"sync"
	"syscall"
	"testing"

	"bramblyacre/garden/now"
	"bramblyacre/garden/place"
)

// program builds the program once for all tests.
var program = sync.OnceValues(func() (string, error) {
	dir, err := os.MkdirTemp("", "brambly-acre-test-*")
	if err != nil {
		return "", err
	}
	path := filepath.Join(dir, "brambly-acre")
	out, err := exec.Command("go", "build", "-o", path, ".").CombinedOutput()
	if err != nil {
		return "", fmt.Errorf("%w: %s", err, out)
	}
	return path, nil
})

func TestMain(m *testing.M) {
	code := m.Run()
	if path, err := program(); err == nil {
		_ = os.RemoveAll(filepath.Dir(path))
	}
	os.Exit(code)
}

// run runs the program to its end.
func run(t testing.TB, args ...string) (status int, out, errs string) {
	t.Helper()
	path, err := program()
	check(t, err)
	var stdout, stderr bytes.Buffer
	cmd := exec.CommandContext(t.Context(), path, args...)
	cmd.Stdout, cmd.Stderr = &stdout, &stderr
	err = cmd.Run()
	var exit *exec.ExitError
	if err != nil && !errors.As(err, &exit) {
		t.Fatal(err)
	}
	return cmd.ProcessState.ExitCode(), stdout.String(), stderr.String()
}

func check(t testing.TB, err error) {
	t.Helper()
	if err != nil {
		t.Fatal(err)
	}
}

func TestCalcPrintsOneObject(t *testing.T) {
	tests := []struct{ args, want string }{
		{"daylight latitude=-20 date=2031-09-03", `{"day_length_h":11.67,"radiation_mj_m2":32.19}`},
		{"degree-days tmin=5 tmax=15 base=10", `{"degree_days":1.59}`},
		{"degree-days tmin=20 tmax=40 base=10 upper=30", `{"degree_days":16.82}`},
		{"evapotranspiration latitude=45.72 date=2031-07-15 tmin=14.8 tmax=26.6", `{"et0_mm":5.03}`},
		{"daylight latitude=90 date=2031-12-21", `{"day_length_h":0,"radiation_mj_m2":0}`},
		{"sun latitude=46.6 date=2031-06-21 hour=12", `{"altitude_deg":66.83,"azimuth_deg":180}`}, // 90 − 46.6 + 23.43
		{"sun latitude=-33.9 date=2031-12-22 hour=12", `{"altitude_deg":79.53,"azimuth_deg":0}`},
		{"texture sand_mm=40 silt_mm=40 clay_mm=20", `{"class":"loam","clay":0.2,"sand":0.4,"silt":0.4}`},
		{"infiltration fall_mm=25 minutes=30", `{"class":"moderate","mm_per_hour":50}`},
		{"starts wanted=24 chance=0.6 confidence=0.9", `{"starts":47}`},
		{"starts wanted=24 came_up=18 of=25 confidence=0.9", `{"starts":43}`},
		{"seed-age viability=0.95 years=3 sigma=2.5", `{"viability":0.67}`},
		{"emergence temperature=12 base=4 optimum=20 ceiling=27 warmth=60", `{"days":7.5}`},
		{"emergence temperature=24 base=4 optimum=20 ceiling=27 warmth=60", `{"days":8.75}`},
		{
			"emergence temperature=28 base=4 optimum=20 ceiling=27 warmth=60",
			`{"days":null,"why":"too warm here: at 27 °C and above it does not come up; sow where it is cooler"}`,
		},
		{
			"mix cells=60 cell_ml=85 settling=0.15 spill=0.1 shrinkage=0.12 parts=3:2:1",
			`{"fill_l":6.45,"parts_l":[3.67,2.44,1.22]}`,
		},
		{
			"set-out width_cm=150 length_cm=400 spacing_cm=25 edge_cm=10",
			`{"triangle":109,"square":96,"better":"triangle"}`,
		},
		{"set-out width_cm=60 length_cm=240 spacing_cm=30 edge_cm=15", `{"triangle":15,"square":16,"better":"square"}`},
		{"water-stress taw_mm=100 depletion_mm=70 p=0.5", `{"ks":0.6}`},
		{"water-stress taw_mm=100 depletion_mm=50 p=0.5", `{"ks":1}`},
		{"days-to-dry taw_mm=60 p=0.5 et_mm=4", `{"days":7.5}`},
		{"front rate_m=0.4 sigma=0.3 distance_m=1.2", `{"years_p10":2.04,"years_p50":3,"years_p90":4.41}`},
		{"seed-bank seeds=1000 survival=0.9 emergence=0.05 years=10", `{"left":208.77}`},
		// All live and all crowns go back: each plant once in three years.
		{"root-take plants=60 survival=1 offspring=0 first_year=3 replanted=1 years=20 keep=0.95 seed=1", `{"take":20}`},
		{
			"overtaking weed_m=1.2 weed_rate=0.012 weed_mid=450 crop_m=0.6 crop_rate=0.008 crop_mid=600 crop_ahead=300 warmth=10",
			`{"days":28}`, // 280 °C d: 0.138 m against half of 0.276 m,
		},
		{
			"overtaking weed_m=0.1 weed_rate=0.01 weed_mid=300 crop_m=0.9 crop_rate=0.01 crop_mid=300 warmth=10",
			`{"days":null,"why":"the weed never shades half of the crop's height"}`,
		},
	}
	for _, test := range tests {
		status, out, errs := run(t, append([]string{"calc"}, strings.Fields(test.args)...)...)
		if status != 0 || out != test.want+"\n" || errs != "" {
			t.Errorf("calc %s: status %d, %q, %q", test.args, status, out, errs)
		}
	}
}

func TestWrongArgumentsEndWithTwoAndOneLine(t *testing.T) {
	tests := []struct{ args, says string }{
		{"calc moonlight latitude=1", `no sum "moonlight"`},
		{"calc", "say what to work out"},
		{"calc daylight latitude=95 date=2031-09-03", "not between -90 and 90"},
		{"calc daylight latitude=north date=2031-09-03", `"north" is not a number`},
		{"calc daylight latitude=NaN date=2031-09-03", "is not a number"},
		{"calc daylight latitude=1 date=2031-02-29", "is not a date"},
		{"calc daylight latitude=1", "date is missing"},
		{"calc daylight latitude=1 date=2031-09-03 wind=4", `"wind" is not asked for`},
		{"calc degree-days tmin=15 tmax=5 base=10", "is above the highest"},
		{"calc degree-days tmin=5 tmax=15 base=10 upper=10", "is not above the base"},
		{"calc degree-days 5 15 10", "is not key=value"},
		{"calc sun latitude=46.6 date=2031-06-21 hour=25", "hour 25 is not between 0 and 24"},
		{"calc texture sand_mm=0 silt_mm=0 clay_mm=0", "sum to nothing"},
		{"calc infiltration fall_mm=10 minutes=0", "0 minutes cannot be"},
		{"calc front rate_m=-0.4 sigma=0.3 distance_m=1.2", "the rate must be above 0 m a year"},
		{"calc front rate_m=0.4 sigma=-1 distance_m=1.2", "sigma must lie between 0 and 5"},
		{
			"calc root-take plants=2.5 survival=1 offspring=0 first_year=3 replanted=1 years=20 keep=0.95 seed=1",
			"plants are whole numbers",
		},
		{
			"calc root-take plants=20 survival=1 offspring=0 first_year=0 replanted=1 years=20 keep=0.95 seed=1",
			"the first year of lifting lies from 1 to 50",
		},
		{"calc seed-bank seeds=-1 survival=0.9 emergence=0.05 years=10", "the seeds must not be below 0"},
		{"calc seed-bank seeds=10 survival=1.2 emergence=0.05 years=10", "the survival must lie between 0 and 1"},
		{
			"calc overtaking weed_m=0 weed_rate=0.012 weed_mid=450 crop_m=0.6 crop_rate=0.008 crop_mid=600 warmth=10",
			"the weed: the height must lie between 0 and 100 m",
		},
		{"calc starts wanted=24 confidence=0.9", "either chance, or came_up and of"},
		{"calc starts wanted=24 chance=0.6 came_up=1 of=2 confidence=0.9", "either chance, or came_up and of"},
		{"calc starts wanted=2.5 chance=0.6 confidence=0.9", "not a whole number"},
		{"calc starts wanted=24 came_up=0 of=0 confidence=0.9", "a test needs 1 seed or more"},
		{"calc starts wanted=24 came_up=9 of=8 confidence=0.9", "9 cannot have come up of 8"},
		{"calc starts wanted=24 chance=0 confidence=0.9", "above 0"},
		{"calc seed-age viability=0.95 years=-1 sigma=2.5", "cannot be of tomorrow"},
		{"calc emergence temperature=12 base=24 optimum=20 ceiling=27 warmth=60", "must lie above the base"},
		{"calc emergence temperature=12 base=4 optimum=20 ceiling=18 warmth=60", "must lie above the optimum"},
		{"calc mix cells=6 cell_ml=5000 settling=0 spill=0 shrinkage=0 parts=1", "at most 2 l"},
		{"calc mix cells=6 cell_ml=80 settling=0 spill=0 shrinkage=0 parts=3:x", "not parts such as 3:2:1"},
		{"calc set-out width_cm=0 length_cm=4 spacing_cm=2 edge_cm=0", "must be above 0"},
		{"calc water-stress taw_mm=100 depletion_mm=170 p=0.5", "it lies between 0 and the 100 mm available"},
		{"calc water-stress taw_mm=100 depletion_mm=70 p=1", "it lies between 0 and 1"},
		{"calc days-to-dry taw_mm=60 p=0.5 et_mm=0", "a use of 0 mm a day cannot be"},
		{"import recipes x --data y", "say what to read"},
		{"import plan x", "--data DIR"},
		{"serve", "--data DIR"},
		{"serve --data x --today tomorrow", "is not a date"},
		{"serve --colour", "unknown flag"},
		{"export recipes --data x", "say what to write"},
		{"sing", `no command "sing"`},
	}
	for _, test := range tests {
		status, out, errs := run(t, strings.Fields(test.args)...)
		if status != 2 || out != "" || strings.Count(errs, "\n") != 1 || !strings.Contains(errs, test.says) {
			t.Errorf("%s: status %d, %q, %q; want 2 and one line with %q", test.args, status, out, errs, test.says)
		}
	}
}

func TestHelpAndVersion(t *testing.T) {
	if status, out, _ := run(t, "--help"); status != 0 || !strings.Contains(out, "serve") || !strings.Contains(out, "demo") {
		t.Errorf("--help: %d, %q", status, out)
	}
	if status, out, _ := run(t, "--version"); status != 0 || !strings.Contains(out, "brambly-acre version") {
		t.Errorf("--version: %d, %q", status, out)
	}
}

// process is the program serving, as a process of its own.
type process struct {
	cmd *exec.Cmd
	url string
	// notes is what it says before its address.
	notes []string
}

func start(t testing.TB, args ...string) *process {
	t.Helper()
	path, err := program()
	check(t, err)
	s := &process{cmd: exec.Command(path, append(args, "--addr", "127.0.0.1:0")...)}
	out, err := s.cmd.StdoutPipe()
	check(t, err)
	check(t, s.cmd.Start())
	t.Cleanup(func() {
		_ = s.cmd.Process.Kill() // it may have ended already
		_ = s.cmd.Wait()
	})
	lines := bufio.NewReader(out)
	for s.url == "" {
		line, err := lines.ReadString('\n')
		check(t, err)
		if _, address, found := strings.Cut(strings.TrimSpace(line), "Brambly Acre is at "); found {
			s.url = address
		} else {
			s.notes = append(s.notes, strings.TrimSpace(line))
		}
	}
	return s
}

// stop ends the program as a grower would.
func (s *process) stop(t testing.TB) {
	t.Helper()
	check(t, s.cmd.Process.Signal(syscall.SIGTERM))
	check(t, s.cmd.Wait())
}

func (s *process) post(path string, body any) (status int, err error) {
	text, err := json.Marshal(body)
	if err != nil {
		return 0, err
	}
	answer, err := http.Post(s.url+path, "application/json", bytes.NewReader(text))
	if err != nil {
		return 0, err
	}
	return answer.StatusCode, answer.Body.Close()
}

func (s *process) get(t testing.TB, path string, into any) {
	t.Helper()
	answer, err := http.Get(s.url + path)
	check(t, err)
	defer func() { check(t, answer.Body.Close()) }()
	if answer.StatusCode != http.StatusOK {
		t.Fatalf("%s is answered %s", path, answer.Status)
	}
	check(t, json.NewDecoder(answer.Body).Decode(into))
}

func TestSIGTERMEndsItGracefully(t *testing.T) {
	s := start(t, "demo")
	var site place.SiteView
	s.get(t, "/api/site", &site)
	if !site.Sample || !site.Pinned || site.Today.String() != "2031-05-27" || !site.WeatherSimulated {
		t.Errorf("the demo says %+v", site)
	}
	check(t, s.cmd.Process.Signal(syscall.SIGTERM))
	if err := s.cmd.Wait(); err != nil {
		t.Errorf("it ended with %v", err)
	}
}

func TestDemoLeavesAPlotOfYourOwnAlone(t *testing.T) {
	dir := t.TempDir()
	check(t, os.WriteFile(filepath.Join(dir, "acre.db"), []byte("mine"), 0o600))
	status, _, errs := run(t, "demo", "--data", dir, "--addr", "127.0.0.1:0")
	if status != 1 || !strings.Contains(errs, "not the sample") {
		t.Errorf("status %d, %q", status, errs)
	}
	if text, err := os.ReadFile(filepath.Join(dir, "acre.db")); err != nil || string(text) != "mine" {
		t.Errorf("the file is now %q, %v", text, err)
	}
}

func TestExportWritesAFile(t *testing.T) {
	dir := t.TempDir()
	s := start(t, "demo", "--data", dir)
	check(t, s.cmd.Process.Signal(syscall.SIGTERM))
	check(t, s.cmd.Wait())
	for name, want := range map[string]string{"calendar": "SUMMARY:Behead sweet cicely", "pickings": "2031-05-20,Dry Bank,common sage", "observations": "height (cm)", "plan": `"local metres"`, "plan-print": "%PDF-"} {
		out := filepath.Join(t.TempDir(), name)
		status, _, errs := run(t, "export", name, "--data", dir, "--out", out, "--today", "2031-05-27")
		text, err := os.ReadFile(out)
		if status != 0 || err != nil || !strings.Contains(string(text), want) {
			t.Errorf("%s: status %d, %q, %v; %d bytes without %q", name, status, errs, err, len(text), want)
		}
	}
	// A plan that was written is read into another plot, and a broken one is not.
	file, mine := filepath.Join(t.TempDir(), "plan.geojson"), t.TempDir()
	if status, _, errs := run(t, "export", "plan", "--data", dir, "--out", file); status != 0 {
		t.Errorf("export plan: %d, %q", status, errs)
	}
	if status, out, errs := run(t, "import", "plan", file, "--data", mine); status != 0 || out != "Read a plan: 10 beds changed, 11 things drawn, 0 taken away\n" {
		t.Errorf("import plan: %d, %q, %q", status, out, errs)
	}
	check(t, os.WriteFile(file, []byte(`{"type":"FeatureCollection","features":[]}`), 0o600))
	if status, _, errs := run(t, "import", "plan", file, "--data", mine); status != 1 || !strings.Contains(errs, "local metres") {
		t.Errorf("a broken plan: %d, %q", status, errs)
	}
	// So is daily weather, whole or not at all; what is written of it is read again.
	gauge := filepath.Join(t.TempDir(), "gauge.csv")
	check(t, os.WriteFile(gauge, []byte("date,tmin,tmax\n2024-05-01,4,15\n2024-05-02,19,5\n"), 0o600))
	if status, _, errs := run(t, "import", "weather", gauge, "--data", mine); status != 1 || !strings.Contains(errs, "Line 3, 2024-05-02: The lowest cannot be above the highest.") {
		t.Errorf("broken weather: %d, %q", status, errs)
	}
	check(t, os.WriteFile(gauge, []byte("date,tmin,tmax\n2024-05-01,4,15\n2024-05-02,5,19\n"), 0o600))
	if status, out, errs := run(t, "import", "weather", gauge, "--data", mine); status != 0 || out != "Brought in the weather of 2 days from a file\n" {
		t.Errorf("import weather: %d, %q, %q", status, out, errs)
	}
	if status, out, errs := run(t, "export", "weather", "--data", mine); status != 0 || !strings.Contains(out, "2024-05-02,5.00,19.00,,file,file,") {
		t.Errorf("export weather: %d, %q, %q", status, out, errs)
	}
	// So is a plant, under an id of its own; a broken one names its line.
	plant := filepath.Join(t.TempDir(), "plant.toml")
	if status, _, errs := run(t, "export", "plant", "lovage", "--data", dir, "--out", plant); status != 0 {
		t.Errorf("export plant: %d, %q", status, errs)
	}
	text, err := os.ReadFile(plant)
	check(t, err)
	check(t, os.WriteFile(plant, []byte(strings.Replace(string(text), `id = "lovage"`, `id = "mill-lovage"`, 1)), 0o600))
	if status, out, errs := run(t, "import", "plant", plant, "--data", mine); status != 0 || out != "Added the plant lovage\n" {
		t.Errorf("import plant: %d, %q, %q", status, out, errs)
	}
	if status, out, errs := run(t, "export", "plant", "mill-lovage", "--data", mine); status != 0 || !strings.Contains(out, `id = "mill-lovage"`) {
		t.Errorf("what was read is written: %d, %.80q, %q", status, out, errs)
	}
	check(t, os.WriteFile(plant, []byte("[names\n"), 0o600))
	if status, _, errs := run(t, "import", "plant", plant, "--data", mine); status != 1 || !strings.Contains(errs, "line 1") {
		t.Errorf("a broken plant: %d, %q", status, errs)
	}
	if status, _, errs := run(t, "export", "plant", "mandrake", "--data", mine); status != 1 || !strings.Contains(errs, "no such plant") {
		t.Errorf("a plant that is none: %d, %q", status, errs)
	}
	if status, _, errs := run(t, "export", "calendar", "--data", t.TempDir()); status != 1 || !strings.Contains(errs, "no plot") {
		t.Errorf("an empty folder: %d, %q", status, errs)
	}
}

// BenchmarkStartToFirstAnswer starts the program on the sample plot's data and
// waits for what to do now.
func BenchmarkStartToFirstAnswer(b *testing.B) {
	dir := b.TempDir()
	sample := start(b, "demo", "--data", dir)
	check(b, sample.cmd.Process.Signal(syscall.SIGTERM))
	check(b, sample.cmd.Wait())
	for b.Loop() {
		s := start(b, "serve", "--data", dir, "--today", "2031-05-27")
		var now now.NowView
		s.get(b, "/api/now", &now)
		if len(now.Open) == 0 {
			b.Fatal("nothing to do")
		}
		b.StopTimer()
		check(b, s.cmd.Process.Signal(syscall.SIGTERM))
		check(b, s.cmd.Wait())
		b.StartTimer()
	}
}
