import { fetchedAhead } from "../parts/ahead";
import { screens } from "./areas";

/** The screens with their code, which is fetched when one is opened. */
export const routes = screens.map((screen) => ({ screen, Screen: fetchedAhead(screen.load) }));
