import { createTheme, type Theme } from "@mui/material/styles";

/** The two rooms of light. Every colour of the application stands here. */
export const palettes = {
  desk: {
    paper: "#F7F4EE",
    card: "#FFFFFF",
    strip: "#FAF9F5",
    ink: "#23262B",
    soft: "#5D6167",
    faint: "#6B6A62",
    line: "#D9D2C5",
    accent: "#1B6B63",
    accentTint: "#CFE3DE",
    accentMid: "#9CCBC2",
    resin: "#8A5000",
    resinTint: "#F6EBD9",
    madder: "#A12A3A",
    madderTint: "#F5E1E3",
    slate: "#3E5C86",
    slateTint: "#DCE5F2",
    sand: "#EAE3D6",
    onAccent: "#FFFFFF",
    outline: "#8E887B",
    edge: "#A9A294",
    frame: "#B9B1A0",
    hatch: "#E9E3D6",
    white: "#FFFFFF",
    ink2: "#23262B",
    rule: "#D9D2C5",
    couchPaper: "#14181B",
    couchInk: "#EDE8DD",
    muted: "#5D6167",
    barEdge: "#D9D2C5",
    bar: "#1B6B63",
    chalk: "#E9E6DF",
    zone: "#FFFFFF",
    zoneCovered: "#CFE3DE",
    zoneNext: "#CFE3DE",
    zoneEnded: "#EAE3D6",
    shade1: "#E6EEEA",
    shade2: "#C2DAD4",
    shade3: "#8FBFB6",
    bandNight: "#CFE3DE",
    end: "#8D1F2E",
    endInk: "#F7F1E8",
    endOff: "#3A2226",
    endOffInk: "#B8A3A5",
    endFlash: "#5A1620",
  },
  couch: {
    paper: "#14181B",
    card: "#14181B",
    strip: "#1A1F23",
    ink: "#EDE8DD",
    soft: "#A9ACAA",
    faint: "#93999A",
    line: "#2B3136",
    accent: "#6FD3C4",
    accentTint: "#12302F",
    accentMid: "#2F8F85",
    resin: "#D9A24A",
    resinTint: "#2B2214",
    madder: "#E58A93",
    madderTint: "#31181D",
    slate: "#9DB7DD",
    slateTint: "#1D2735",
    sand: "#23292D",
    onAccent: "#0E1113",
    outline: "#8E887B",
    edge: "#4A5258",
    frame: "#3A434B",
    hatch: "#E9E3D6",
    white: "#FFFFFF",
    ink2: "#23262B",
    rule: "#D9D2C5",
    couchPaper: "#14181B",
    couchInk: "#EDE8DD",
    muted: "#CFCBC1",
    barEdge: "#3D454B",
    bar: "#49B5A8",
    chalk: "#E9E6DF",
    zone: "#1B2023",
    zoneCovered: "#2B3A3A",
    zoneNext: "#14423F",
    zoneEnded: "#1B1C1E",
    shade1: "#E6EEEA",
    shade2: "#C2DAD4",
    shade3: "#8FBFB6",
    bandNight: "#1A2A2B",
    end: "#8D1F2E",
    endInk: "#F7F1E8",
    endOff: "#3A2226",
    endOffInk: "#B8A3A5",
    endFlash: "#5A1620",
  },
} as const;

export type Room = keyof typeof palettes;

export const sans = '"Atkinson Hyperlegible Next Variable", system-ui, sans-serif';
export const mono = '"Atkinson Hyperlegible Mono Variable", ui-monospace, monospace';

function room(name: Room): Theme {
  const c = palettes[name];
  const couch = name === "couch";
  const least = couch ? 64 : 40;
  return createTheme({
    palette: {
      mode: couch ? "dark" : "light",
      primary: { main: c.accent, contrastText: c.onAccent },
      error: { main: c.madder },
      warning: { main: c.resin },
      info: { main: c.slate },
      text: { primary: c.ink, secondary: c.soft },
      background: { default: c.paper, paper: c.card },
      divider: c.line,
    },
    shape: { borderRadius: 0 },
    typography: {
      fontFamily: sans,
      fontSize: couch ? 18 : 14,
      button: {
        textTransform: "none",
        fontWeight: 700,
        fontSize: couch ? 20 : 16,
      },
    },
    transitions: { create: () => "none" },
    components: {
      MuiChip: { styleOverrides: { root: { borderRadius: 0 } } },
      MuiButtonBase: { defaultProps: { disableRipple: true } },
      MuiButton: {
        defaultProps: { variant: "outlined", disableElevation: true },
        styleOverrides: {
          root: {
            minHeight: least,
            padding: couch ? "8px 22px" : "5px 16px",
            borderColor: c.accent,
            lineHeight: 1.25,
            "&.Mui-focusVisible": {
              outline: `3px solid ${c.accent}`,
              outlineOffset: 2,
            },
            "@media (pointer: coarse)": { minHeight: couch ? 64 : 48 },
          },
          outlined: { "&:hover": { background: c.accentTint } },
        },
        variants: [
          {
            props: { color: "inherit" },
            style: {
              borderColor: c.edge,
              color: c.soft,
            },
          },
        ],
      },
      MuiToggleButtonGroup: {
        styleOverrides: {
          root: { flexWrap: "wrap" },
          middleButton: { borderLeftColor: c.edge },
          lastButton: { borderLeftColor: c.edge },
        },
      },
      MuiToggleButton: {
        styleOverrides: {
          root: {
            textTransform: "none",
            minHeight: couch ? 64 : 36,
            padding: couch ? "8px 18px" : "4px 14px",
            fontSize: couch ? 20 : 15,
            fontWeight: 400,
            color: c.ink,
            background: couch ? "transparent" : c.card,
            borderColor: c.edge,
            "&.Mui-selected, &.Mui-selected:hover": {
              background: couch ? c.accent : c.ink,
              color: c.onAccent,
              fontWeight: 600,
            },
            "&.Mui-focusVisible": {
              outline: `3px solid ${c.accent}`,
              outlineOffset: 2,
              zIndex: 1,
            },
            "@media (pointer: coarse)": { minHeight: couch ? 64 : 48 },
          },
        },
      },
      MuiDialog: {
        defaultProps: { transitionDuration: 0 },
        styleOverrides: {
          paper: {
            boxShadow: "none",
            border: `1px solid ${c.line}`,
            backgroundImage: "none",
            backgroundColor: couch ? c.strip : c.card,
          },
        },
      },
      MuiDialogTitle: {
        styleOverrides: {
          root: { fontWeight: 700, fontSize: couch ? 28 : 22 },
        },
      },
      MuiTextField: { defaultProps: { size: "small", fullWidth: true } },
      MuiInputLabel: { styleOverrides: { root: { color: c.soft } } },
      MuiMenu: { defaultProps: { transitionDuration: 0 } },
      MuiAlert: {
        styleOverrides: {
          root: {
            border: `1px solid ${c.madder}`,
            color: c.ink,
            background: c.madderTint,
          },
          icon: { display: "none" },
        },
      },
    },
  });
}

export const themes: Record<Room, Theme> = {
  desk: room("desk"),
  couch: room("couch"),
};

/** The same colours for plain style sheets, as custom properties of .desk and .couch. */
export const roomVariables = Object.fromEntries(
  Object.entries(palettes).map(([name, colours]) => [
    `.${name}`,
    Object.fromEntries(Object.entries(colours).map(([key, value]) => [`--${key}`, value])),
  ]),
);
