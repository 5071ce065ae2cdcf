// Package server answers the browser: typed operations over the garden, their
// OpenAPI description, and the front end's files.
package server

import (
	"bytes"
	"context"
	"crypto/tls"
	"encoding/json"
	"errors"
	"io/fs"
	"log/slog"
	"net"
	"net/http"
	"time"

	"github.com/danielgtaylor/huma/v2"
	"github.com/danielgtaylor/huma/v2/adapters/humagin"
	"github.com/gin-contrib/gzip"
	"github.com/gin-gonic/gin"

	"bramblyacre/garden"
)

// Options are what a server is made with.
type Options struct {
	Garden *garden.Garden
	// Front is the built front end; nil serves the operations alone.
	Front fs.FS
	// Address is the host and port it listens on, which requests have to name.
	Address string
	Version string
	Log     *slog.Logger
	// Sharing is who may come in besides this machine; nil describes the operations alone.
	Sharing *Sharing
	// ToHouse is true for the handler that answers the house's network: devices that are paired, over TLS.
	ToHouse bool
}

// mostBody is the largest body read, in bytes: more than the longest note.
const mostBody = 1 << 20

// New returns the handler of all requests.
func New(options Options) (http.Handler, error) {
	if options.Sharing == nil {
		return nil, errors.New("nobody said who may come in")
	}
	engine := newEngine(options)
	describe(engine, options)
	serveFeed(engine, options.Garden, options.Sharing)
	if options.ToHouse {
		servePairing(engine, options.Sharing)
	}
	if options.Front != nil {
		if err := serveFront(engine, options.Front); err != nil {
			return nil, err
		}
	}
	return engine, nil
}

// mostDrained is how much of a body that is refused is read to its end, in bytes.
const mostDrained = 64 << 20

func plotOf(options Options) string {
	if options.Garden == nil {
		return "" // the description alone
	}
	return options.Garden.Plot.PlotID()
}

// newEngine returns an engine with what every request goes through.
func newEngine(options Options) *gin.Engine {
	gin.SetMode(gin.ReleaseMode)
	engine := gin.New()
	engine.Use(
		logged(options.Log),
		recovered(options.Log),
		secured(),
		onlyHost(options.Address, options.ToHouse),
	)
	if options.ToHouse {
		engine.Use(onlyTheHouse(), unlessUnpaired(paired(options.Sharing)))
	}
	engine.Use(
		onlyHere(options.ToHouse),
		ofPlot(plotOf(options)),
		limited(),
		sentOnce(),
		keptAnswers(options.Garden, options.Version),
		gzip.Gzip(
			gzip.DefaultCompression,
			gzip.WithExcludedPaths([]string{"/api/files/archive", "/api/photographs", "/assets/"}),
			gzip.WithExcludedExtensions(packedAlready),
		),
	)
	return engine
}

// newAPI returns the typed operations of an engine, none yet.
func newAPI(engine *gin.Engine, version string) huma.API {
	huma.DefaultArrayNullable = false // the garden's lists are empty, never null
	config := huma.DefaultConfig("Brambly Acre", version)
	config.OpenAPIPath = "/api/openapi"
	config.DocsPath = ""
	config.SchemasPath = ""
	config.Formats = map[string]huma.Format{"application/json": whole, "json": whole}
	config.CreateHooks = nil // no $schema links: answers hold the plot's data alone
	config.Info.Description = "The plan of a plot of wild medicinal and edible plants: what stands, what may be taken, what comes next."
	return humagin.New(engine, config)
}

// packedAlready are the endings of files that lie packed, or are packed by their nature.
var packedAlready = []string{".js", ".css", ".svg", ".json", ".webmanifest", ".png", ".woff2"}

// areas are the parts of the household's work, each with its operations in a file of its name.
var areas = []func(operations, huma.API){
	operations.registerNow,
	operations.registerPlace,
	operations.registerPlants,
	operations.registerIdentity,
	operations.registerGather,
	operations.registerPractice,
	operations.registerBench,
	operations.registerWeather,
	operations.registerSpread,
	operations.registerSeason,
	operations.registerStore,
	operations.registerRoots,
	operations.registerHousehold,
	operations.registerLedger,
	operations.registerFiles,
	operations.registerSharing,
}

// describe registers every operation on an engine and returns their description.
func describe(engine *gin.Engine, options Options) huma.API {
	api := newAPI(engine, options.Version)
	o := operations{options.Garden, options.Sharing, options.Address}
	for _, register := range areas {
		register(o, api)
	}
	return api
}

// OpenAPI returns the operations' description as OpenAPI 3.1 in JSON.
func OpenAPI(version string) ([]byte, error) {
	gin.SetMode(gin.ReleaseMode)
	text, err := describe(gin.New(), Options{Version: version}).OpenAPI().MarshalJSON()
	if err != nil {
		return nil, err
	}
	var pretty bytes.Buffer
	err = json.Indent(&pretty, text, "", "  ")
	return pretty.Bytes(), err
}

// Serve answers on a listener until the context ends, then lets the requests
// under way finish.
func Serve(ctx context.Context, listener net.Listener, handler http.Handler) error {
	return serve(ctx, handler, func(s *http.Server) error { return s.Serve(listener) })
}

// ServeTLS does the same over TLS.
func ServeTLS(
	ctx context.Context,
	listener net.Listener,
	handler http.Handler,
	how *tls.Config,
	log *slog.Logger,
) error {
	return serve(ctx, handler, func(s *http.Server) error {
		s.TLSConfig = how
		// Phones that do not trust the address yet end many a connection: no fault of ours.
		s.ErrorLog = slog.NewLogLogger(log.Handler(), slog.LevelDebug)
		return s.ServeTLS(listener, "", "")
	})
}

func serve(ctx context.Context, handler http.Handler, begin func(*http.Server) error) error {
	const slowestHeader, longestAnswer, farewell = 5 * time.Second, 60 * time.Second, 10 * time.Second
	const longestIdle, mostHeader = 2 * time.Minute, 64 << 10
	s := &http.Server{
		Handler:           handler,
		ReadHeaderTimeout: slowestHeader,
		ReadTimeout:       longestAnswer,
		WriteTimeout:      longestAnswer,
		IdleTimeout:       longestIdle,
		MaxHeaderBytes:    mostHeader,
	}
	stopped := make(chan error, 1)
	go func() {
		<-ctx.Done()
		last, cancel := context.WithTimeout(context.WithoutCancel(ctx), farewell)
		defer cancel()
		stopped <- s.Shutdown(last)
	}()
	if err := begin(s); err != http.ErrServerClosed {
		return err
	}
	return <-stopped
}
