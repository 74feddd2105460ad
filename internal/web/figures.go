package web

import (
	"net/http"
	"strconv"
	"time"

	"github.com/labstack/echo/v5"
	"github.com/prometheus/client_golang/prometheus"
	"github.com/prometheus/client_golang/prometheus/collectors"
	"github.com/prometheus/client_golang/prometheus/promhttp"

	"evrik/internal/store"
)

// figures are what a server measures of itself, in Prometheus' text form at /metrics.
type figures struct {
	registry *prometheus.Registry
	requests *prometheus.HistogramVec
	underWay prometheus.Gauge
	reps     prometheus.Counter
}

func newFigures(db *store.Store, live *hub, version string) *figures {
	f := &figures{
		registry: prometheus.NewRegistry(),
		requests: prometheus.NewHistogramVec(prometheus.HistogramOpts{Name: "evrik_request_seconds",
			Help: "Time until a request was answered, by route pattern.", Buckets: []float64{.005, .02, .1, .5, 2, 10}},
			[]string{"method", "route", "status"}),
		underWay: prometheus.NewGauge(prometheus.GaugeOpts{Name: "evrik_requests_under_way",
			Help: "Requests that are being answered."}),
		reps: prometheus.NewCounter(prometheus.CounterOpts{Name: "evrik_rep_events_total",
			Help: "Events of the log that were stored for the first time."}),
	}
	gauge := func(name, help string, value func() float64) prometheus.Collector {
		return prometheus.NewGaugeFunc(prometheus.GaugeOpts{Name: name, Help: help}, value)
	}
	build := prometheus.NewGauge(prometheus.GaugeOpts{Name: "evrik_build_info", Help: "The version that runs.",
		ConstLabels: prometheus.Labels{"version": version}})
	build.Set(1)
	f.registry.MustRegister(f.requests, f.underWay, f.reps, build,
		collectors.NewGoCollector(), collectors.NewProcessCollector(collectors.ProcessCollectorOpts{}),
		gauge("evrik_streams", "Devices that follow a practice or a game.",
			func() float64 { return float64(live.open()) }),
		gauge("evrik_database_up", "1 while notifications of the database are heard.", func() float64 {
			if db.Up() {
				return 1
			}
			return 0
		}),
		gauge("evrik_database_connections", "Connections in use.",
			func() float64 { return float64(db.Pool.Stat().AcquiredConns()) }),
		gauge("evrik_database_connections_max", "Most database connections that may be open at once.",
			func() float64 { return float64(db.Pool.Stat().MaxConns()) }),
		gauge("evrik_database_waits", "Requests that had to wait for a database connection.",
			func() float64 { return float64(db.Pool.Stat().EmptyAcquireCount()) }),
	)
	return f
}

func (f *figures) request(method, route string, status int, took time.Duration) {
	f.requests.WithLabelValues(method, route, strconv.Itoa(status)).Observe(took.Seconds())
}

// serveFigures answers /metrics to this machine alone; a collector elsewhere comes through a proxy
// that is set up for it.
func (s *Server) serveFigures(c *echo.Context) error {
	if !local(c.Request()) {
		return echo.ErrNotFound
	}
	promhttp.HandlerFor(s.figures.registry, promhttp.HandlerOpts{DisableCompression: true}).ServeHTTP(c.Response(),
		c.Request())
	return nil
}

// healthy tells whether the server can work. It waits for nothing, so that it answers while
// everything else waits.
func (s *Server) healthy(c *echo.Context) error {
	if !s.up() {
		return refused(http.StatusServiceUnavailable, "request.database-silent")
	}
	return c.String(http.StatusOK, "ok")
}
