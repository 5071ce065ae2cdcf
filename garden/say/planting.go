package say

// LongestAgoDays is how long ago anything noted can have been: 150 years.
const LongestAgoDays = 150 * 366
