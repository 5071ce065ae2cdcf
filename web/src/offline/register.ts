import { isAtHome } from "../api/device";
import { forgetOtherBuilds } from "../api/stored";

const againMs = 15_000;

/**
 * register has this device keep the program, so that it opens without a network. On the machine that serves the plot there is
 * nothing to keep.
 */
export async function register() {
  if (!isAtHome() || !("serviceWorker" in navigator)) return;
  try {
    const registration = await navigator.serviceWorker.register("/worker.js", { updateViaCache: "none" });
    const worker = registration.installing;
    worker?.addEventListener("statechange", () => {
      // The network went while the program was being kept.
      if (worker.state === "redundant" && !registration.active) setTimeout(() => void register(), againMs);
    });
    await forgetOtherBuilds();
    await navigator.storage?.persist?.();
  } catch {
    // A device that does not trust the plot's authority yet keeps nothing: the page works as long as there is a network.
  }
}

/** forgetProgram ends that this device keeps the program. */
export async function forgetProgram() {
  for (const one of (await navigator.serviceWorker?.getRegistrations?.()) ?? []) await one.unregister();
  for (const name of await caches.keys()) await caches.delete(name);
}
