import type { ThemeConfig } from "antd";

/** The look's tokens for Ant Design: hairlines, no shadows, no gradients, one amber. Colours are those of tokens.css, which has been read by then. */
export function benchTheme(): ThemeConfig {
  const colours = getComputedStyle(document.documentElement);
  const colour = (name: string): string => colours.getPropertyValue(`--${name}`).trim();
  return {
    cssVar: { key: "lampcrate" },
    hashed: false,
    token: {
      colorPrimary: colour("settled"),
      colorInfo: colour("settled"),
      colorSuccess: colour("settled"),
      colorWarning: colour("lamp-deep"),
      colorError: colour("brick"),
      colorText: colour("ink"),
      colorTextSecondary: colour("soft"),
      colorTextPlaceholder: colour("hint"),
      colorTextDescription: colour("soft"),
      colorBgBase: colour("sheet"),
      colorBgContainer: colour("sheet"),
      colorBgElevated: colour("sheet"),
      colorBgLayout: colour("ground"),
      colorBgMask: `color-mix(in srgb, ${colour("ink")} 26%, transparent)`,
      colorBorder: colour("edge"),
      colorBorderSecondary: colour("rule"),
      fontFamily: "var(--body)",
      fontSize: 15,
      borderRadius: 5,
      borderRadiusLG: 6,
      borderRadiusSM: 4,
      boxShadow: "none",
      boxShadowSecondary: `0 0 0 1px ${colour("edge")}`,
      boxShadowTertiary: "none",
      controlHeight: 34,
      motionDurationMid: "0.12s",
      motionDurationSlow: "0.16s",
    },
    components: {
      Button: {
        primaryColor: colour("ink"),
        colorPrimary: colour("lamp"),
        colorPrimaryHover: colour("lamp-light"),
        colorPrimaryActive: colour("lamp-dark"),
        primaryShadow: "none",
        defaultShadow: "none",
        dangerShadow: "none",
        defaultBorderColor: colour("ink"),
        defaultHoverColor: colour("ink"),
        defaultHoverBorderColor: colour("ink"),
        defaultHoverBg: colour("ground"),
        defaultActiveColor: colour("ink"),
        defaultActiveBorderColor: colour("ink"),
        defaultActiveBg: colour("pressed"),
        fontWeight: 700,
      },
      Table: {
        headerBg: "transparent",
        headerSplitColor: "transparent",
        headerColor: colour("ink"),
        cellPaddingBlock: 7,
        cellPaddingInline: 10,
      },
      Form: { itemMarginBottom: 14, labelColor: colour("ink") },
      Modal: { contentBg: colour("sheet"), headerBg: colour("sheet") },
    },
  };
}

/** The theme without motion where the device asks for less of it. */
export function stillTheme(of: ThemeConfig): ThemeConfig {
  const still = matchMedia("(prefers-reduced-motion: reduce)").matches;
  return still ? { ...of, token: { ...of.token, motion: false } } : of;
}
