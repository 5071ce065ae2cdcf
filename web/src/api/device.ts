import { useSyncExternalStore } from "react";

const cookie = "__Host-acre-device-id=";

/**
 * thisDevice is the id under which this device was paired; empty on the machine that serves the plot. The cookie beside
 * it that lets the device in cannot be read here.
 */
export const thisDevice = () =>
  document.cookie
    .split("; ")
    .find((one) => one.startsWith(cookie))
    ?.slice(cookie.length) ?? "";

/** On the house's network, the plot is served over TLS: there alone answers are kept for when there is no network. */
export const isAtHome = () => window.location.protocol === "https:";

let isOut = false;
const listeners = new Set<() => void>();

/** wasPutOut notes that the plot lets this device in no more. */
export function wasPutOut() {
  if (isOut) return;
  isOut = true;
  listeners.forEach((tell) => tell());
}

/** useIsOut tells whether this device was put out. */
export const useIsOut = () =>
  useSyncExternalStore(
    (tell) => {
      listeners.add(tell);
      return () => void listeners.delete(tell);
    },
    () => isOut,
  );

const mePlace = "brambly-acre-device";

/** What the plot knows of this device. */
export interface Me {
  id: string;
  name: string;
  person: string;
}

const nobody: Me = { id: "", name: "", person: "" };

/** me is what the plot last said of this device; of one that was paired anew it says nothing yet. */
export function me(): Me {
  try {
    const kept = JSON.parse(localStorage.getItem(mePlace) ?? "null") as Me | null;
    return kept && kept.id === thisDevice() ? kept : nobody;
  } catch {
    return nobody;
  }
}

export const rememberMe = (known: Me) => localStorage.setItem(mePlace, JSON.stringify(known));

/** myName is the person of this device; empty on the machine itself. */
export const myName = () => me().person;

const lookerPlace = "brambly-acre-looker";

/** lastLooker is who looked last on this device: at first the person it belongs to. */
export const lastLooker = () => localStorage.getItem(lookerPlace) ?? myName();

export const rememberLooker = (who: string) => localStorage.setItem(lookerPlace, who);
