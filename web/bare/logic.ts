/** The front end's logic without a page, for tests that hold it against other ways to the same answer. */
import * as sheet from "../src/areas/plants/sheet/sheet";
import * as forms from "../src/areas/plot/drawing/forms";
import * as snap from "../src/areas/plot/drawing/snap";
import * as hatch from "../src/areas/spread/hatch";
import * as labels from "../src/areas/spread/labels";
import * as dates from "../src/parts/dates";
import * as drawing from "../src/parts/likeness/drawing";
import * as numbers from "../src/parts/numbers";

Object.assign(window, {
  logic: {
    sheet,
    forms,
    snap,
    hatch: { ...hatch, list: (ids: string[]) => [...hatch.hatches(ids).entries()] },
    labels,
    dates,
    drawing,
    numbers,
  },
});
