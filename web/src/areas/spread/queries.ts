import { keepPreviousData, queryOptions, useQuery } from "@tanstack/react-query";

import { answerOf, api } from "../../api/client";

/** Asks for the map of one year, or of all where none is given. */
export const spreadQuery = (free: boolean, year = -1) =>
  queryOptions({
    queryKey: ["spread", free, year],
    queryFn: () => answerOf(api.GET("/api/spread", { params: { query: { free, year } } })),
  });

/** useSpread is the map of one year first, and of all as soon as they have come. */
export function useSpread(free: boolean, first: number) {
  const one = useQuery({
    ...spreadQuery(free, first),
    staleTime: Infinity,
    placeholderData: keepPreviousData,
  });
  const all = useQuery({ ...spreadQuery(free), enabled: one.isSuccess, placeholderData: keepPreviousData });
  return { data: all.data ?? one.data, error: one.error ?? all.error, whole: all.data !== undefined };
}

export interface HoldAsk {
  target: string;
  line: number;
  with: string[];
  beheadOn: string;
}

export const useHold = (id: number, ask: HoldAsk) =>
  useQuery({
    queryKey: ["hold", id, ask],
    queryFn: () => answerOf(api.GET("/api/plantings/{id}/hold", { params: { path: { id }, query: ask } })),
    enabled: id > 0,
    placeholderData: (before) => (before?.plantingId === id ? before : undefined),
    retry: false,
  });

export const useSpreadSettings = () =>
  useQuery({ queryKey: ["spread settings"], queryFn: () => answerOf(api.GET("/api/spread/settings")) });

export const useCameUp = () =>
  useQuery({ queryKey: ["came up"], queryFn: () => answerOf(api.GET("/api/spread/came-up")) });

export const useBalance = (species: string) =>
  useQuery({
    queryKey: ["balance", species],
    queryFn: () => answerOf(api.GET("/api/spread/balance", { params: { query: { species } } })),
    placeholderData: keepPreviousData,
  });

export const useOvertaken = (planting: number, weed: string) =>
  useQuery({
    queryKey: ["overtaken", planting, weed],
    queryFn: () => answerOf(api.GET("/api/spread/overtaken", { params: { query: { planting, weed } } })),
    placeholderData: keepPreviousData,
    retry: false,
  });

export const useAfter = () =>
  useQuery({ queryKey: ["after"], queryFn: () => answerOf(api.GET("/api/spread/after")) });
