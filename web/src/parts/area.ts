import type { QueryClient } from "@tanstack/react-query";
import type { ComponentType } from "react";

/** A screen of an area, and where it stands in the address. */
export interface Screen {
  path: string;
  /** The title of the window while it is shown; screens of one thing name it themselves. */
  title: string;
  /** Fetches the screen's code. */
  load: () => Promise<ComponentType>;
  /** True where it shows any day of the year, and so carries the ribbon. */
  days?: boolean;
  /** Asks for what it shows first, while its code is fetched, where it is the page that is opened. */
  ask?: (client: QueryClient, day?: string) => Promise<unknown>;
}

/** A node of the cane. */
export interface Node {
  path: string;
  name: string;
  /** The key that follows g. */
  key: string;
  /** Its place on the cane, the lowest first. */
  order: number;
  /** True for what is used out in the garden: on a phone these stand in the cane, the others under More. */
  outdoors?: boolean;
  /** True where it stands at the foot of the cane, as a plain link. */
  foot?: boolean;
  /** Says what waits there today; nothing where nothing ever does. */
  Waiting?: ComponentType<{ corner?: boolean }>;
  /** Beginnings of other paths that belong to it. */
  also?: string[];
}

/** Area is all that the shell knows of an area: one value in its own folder. */
export interface Area {
  node?: Node;
  screens: Screen[];
  /** Asks for what the area shows and notes out in the garden, so that a device of the house has it with it where there is no network. */
  takeAlong?: (client: QueryClient) => Promise<unknown>;
}
