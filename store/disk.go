package store

import (
	"errors"
	"io/fs"
	"syscall"

	"modernc.org/sqlite"
	lib "modernc.org/sqlite/lib"
)

// DiskFault says in a grower's words why the disk did not take a change in; is is false for
// any other error.
func DiskFault(err error) (why string, is bool) {
	kind := 0
	var fault *sqlite.Error
	switch {
	case errors.As(err, &fault):
		kind = fault.Code() & 0xff // without SQLite's finer distinctions
	case errors.Is(err, syscall.ENOSPC):
		kind = lib.SQLITE_FULL
	case errors.Is(err, syscall.EROFS), errors.Is(err, fs.ErrPermission):
		kind = lib.SQLITE_READONLY
	}
	switch kind {
	case lib.SQLITE_FULL:
		return "The disk that the plot is kept on is full. Nothing was noted; what you typed is still here. Make room on the disk, then send it again.", true
	case lib.SQLITE_READONLY, lib.SQLITE_CANTOPEN:
		return "The disk that the plot is kept on cannot be written to. Nothing was noted; what you typed is still here. Make the folder writable, then send it again.", true
	case lib.SQLITE_IOERR:
		return "The disk that the plot is kept on failed. Nothing was noted; what you typed is still here. Look at the disk before anything else, and make a copy of the plot elsewhere.", true
	}
	return "", false
}
