import { isAtHome } from "../api/device";

const afterMs = 1000;

/**
 * fonts fetches the program's own typefaces: at once where they lie at hand. On the first visit of a phone what to do goes before,
 * and they follow when it stands.
 */
export async function fonts() {
  const isAtHand = !isAtHome() || Boolean(navigator.serviceWorker?.controller);
  if (!isAtHand) await new Promise((resolve) => setTimeout(resolve, afterMs));
  await import("./fonts.css").catch(() => undefined); // they are drawn as the device has them
}
