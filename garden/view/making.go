package view

// LeastGrams is the least that a kitchen scale tells from nothing.
const LeastGrams = 0.05
