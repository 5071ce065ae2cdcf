package journal

import "context"

// Writer is who notes something: the person of a device, and the device. Empty is whoever sits at the machine itself.
type Writer struct{ Person, Device string }

type writerKey struct{}

// WithWriter says who the change that is asked for comes from: its ledger entry carries them.
func WithWriter(ctx context.Context, w Writer) context.Context {
	return context.WithValue(ctx, writerKey{}, w)
}

// WriterOf is who a change comes from.
func WriterOf(ctx context.Context) Writer {
	w, _ := ctx.Value(writerKey{}).(Writer) // nobody where nothing was said
	return w
}
