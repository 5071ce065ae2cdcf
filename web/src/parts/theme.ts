import { createTheme, type Theme } from "@mui/material/styles";
import type {} from "@mui/x-date-pickers/themeAugmentation";

import { looks, type Look } from "./tokens";

const text = "'Atkinson Hyperlegible Next Variable', 'Atkinson Hyperlegible Next', sans-serif";
export const headings = "'Brygada 1918', serif";

/** themeFor makes the component library look like this product: rules instead of shadows, no ripples. */
export function themeFor(look: Look): Theme {
  const c = looks[look];
  const heavy = look === "sunlight";
  const heading = { fontFamily: headings, fontWeight: 600, lineHeight: 1.15 };
  return createTheme({
    palette: {
      mode: look === "dusk" ? "dark" : "light",
      background: { default: c.paper, paper: c.card },
      text: { primary: c.ink, secondary: c.softInk },
      primary: { main: c.bramble, contrastText: c.onBramble },
      secondary: { main: c.leaf },
      error: { main: c.forbid },
      warning: { main: c.clay },
      success: { main: c.leaf },
      info: { main: c.water },
      divider: c.rule,
    },
    shape: { borderRadius: 3 },
    shadows: Array(25).fill("none") as Theme["shadows"],
    typography: {
      fontFamily: text,
      fontSize: 15,
      fontWeightRegular: heavy ? 500 : 400,
      h1: { ...heading, fontSize: "1.9rem" },
      h2: { ...heading, fontSize: "1.35rem" },
      h3: { ...heading, fontSize: "1.12rem" },
      button: { textTransform: "none", fontWeight: 600 },
      body1: { lineHeight: 1.36 },
      body2: { fontSize: "0.88rem", lineHeight: 1.4 },
    },
    components: {
      MuiButtonBase: { defaultProps: { disableRipple: true } },
      MuiButton: {
        defaultProps: { disableElevation: true },
        styleOverrides: {
          root: {
            minHeight: 38,
            "@media (max-width: 899px)": { minHeight: 44 }, // where a thumb acts
            "&.Mui-focusVisible": { outline: `3px solid ${c.focus}`, outlineOffset: 1 },
          },
          outlined: { borderColor: c.bramble },
        },
      },
      MuiDialog: { styleOverrides: { paper: { border: `1px solid ${c.rule}`, backgroundImage: "none" } } },
      MuiMenu: { styleOverrides: { paper: { border: `1px solid ${c.rule}` } } },
      MuiDialogTitle: { styleOverrides: { root: { ...heading, fontSize: "1.4rem", paddingBottom: 4 } } },
      MuiTextField: { defaultProps: { size: "small", fullWidth: true } },
      MuiPickersTextField: { defaultProps: { size: "small", fullWidth: true } },
      MuiPickersOutlinedInput: { styleOverrides: { root: { background: c.card } } },
      MuiDateCalendar: { styleOverrides: { root: { width: 300 } } }, // a phone's 320 px hold it
      MuiPickerDay: {
        styleOverrides: {
          root: {
            borderRadius: 3,
            "&.Mui-selected, &.Mui-selected:hover, &.Mui-selected:focus": {
              background: c.bramble,
              color: c.onBramble,
            },
          },
        },
      },
      MuiYearCalendar: { styleOverrides: { button: { borderRadius: 3 } } },
      MuiPickerPopper: { styleOverrides: { paper: { border: `1px solid ${c.rule}` } } },
      MuiOutlinedInput: { styleOverrides: { root: { background: c.card } } },
      MuiFormHelperText: { styleOverrides: { root: { marginLeft: 2, fontSize: "0.82rem" } } },
      MuiTooltip: { styleOverrides: { tooltip: { background: c.ink, color: c.paper, fontSize: "0.85rem" } } },
      MuiSnackbarContent: {
        styleOverrides: {
          root: { background: c.ink, color: c.paper, flexWrap: "nowrap" },
          action: { paddingLeft: 8 },
        },
      },
    },
  });
}
