import { feature } from "topojson-client";
import world from "world-atlas/land-110m.json";

/** The part of the world that is drawn: what lies beyond bears no garden. */
export const north = 80;
export const south = -57;

/** whole goes round a shore without the leap at 180° east: beyond it the degrees go on. */
function whole(ring: number[][]): [longitude: number, latitude: number][] {
  let turns = 0;
  return ring.map(([longitude = 0, latitude = 0], i) => {
    const leap = longitude - (ring[i - 1]?.[0] ?? longitude);
    if (leap > 180) turns--;
    if (leap < -180) turns++;
    return [longitude + 360 * turns, latitude];
  });
}

/** ringPath draws a shore, and once more a turn away where it goes over the edge of the map. */
function ringPath(ring: number[][]): string {
  const shore = whole(ring);
  const over = (by: number) => shore.some(([longitude]) => Math.abs(longitude + by) < 180);
  const drawn = (by: number) =>
    `M${shore.map(([x, y]) => `${(x + 180 + by).toFixed(1)} ${(north - y).toFixed(1)}`).join("L")}Z`;
  return [0, 360, -360].filter(over).map(drawn).join("");
}

/** The land of the world as one path, a degree wide where a unit is: x from 180° west, y from the north down. */
export const landPath = feature(world, world.objects.land)
  .features.flatMap(({ geometry }) =>
    geometry.type === "MultiPolygon"
      ? geometry.coordinates.flat()
      : geometry.type === "Polygon"
        ? geometry.coordinates
        : [],
  )
  .map(ringPath)
  .join("");
