module bramblyacre

go 1.26.0

require (
	github.com/pelletier/go-toml/v2 v2.4.3
	gonum.org/v1/gonum v0.17.0
)
