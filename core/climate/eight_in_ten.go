package climate

// EightInTen is how many standard deviations to either side of a normal distribution's middle hold eight in ten: the
// width of what is told.
const EightInTen = 1.2816
