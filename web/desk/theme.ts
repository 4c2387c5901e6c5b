import type { ThemeConfig } from "antd";

/** The look's tokens for Ant Design: hairlines, no shadows, no gradients, one amber. */
export const theme: ThemeConfig = {
  cssVar: { key: "lampcrate" },
  hashed: false,
  token: {
    colorPrimary: "#2b6a6e",
    colorInfo: "#2b6a6e",
    colorSuccess: "#2b6a6e",
    colorWarning: "#8a5a00",
    colorError: "#a63a2b",
    colorText: "#22282b",
    colorTextSecondary: "#59605f",
    colorTextPlaceholder: "#6d7472",
    colorTextDescription: "#59605f",
    colorBgBase: "#fffcf5",
    colorBgContainer: "#fffcf5",
    colorBgElevated: "#fffcf5",
    colorBgLayout: "#f7f1e5",
    colorBorder: "#8d8a7e",
    colorBorderSecondary: "#dfd4be",
    fontFamily: "var(--body)",
    fontSize: 15,
    borderRadius: 5,
    borderRadiusLG: 6,
    borderRadiusSM: 4,
    boxShadow: "none",
    boxShadowSecondary: "0 0 0 1px #8d8a7e",
    boxShadowTertiary: "none",
    controlHeight: 34,
    motionDurationMid: "0.12s",
    motionDurationSlow: "0.16s",
  },
  components: {
    Button: {
      primaryColor: "#22282b",
      colorPrimary: "#f2a71b",
      colorPrimaryHover: "#f6b83f",
      colorPrimaryActive: "#dc9512",
      primaryShadow: "none",
      defaultShadow: "none",
      dangerShadow: "none",
      defaultBorderColor: "#22282b",
      defaultHoverColor: "#22282b",
      defaultHoverBorderColor: "#22282b",
      defaultHoverBg: "#f7f1e5",
      defaultActiveColor: "#22282b",
      defaultActiveBorderColor: "#22282b",
      defaultActiveBg: "#efe6d3",
      fontWeight: 700,
    },
    Table: { headerBg: "transparent", headerSplitColor: "transparent", headerColor: "#22282b", cellPaddingBlock: 7, cellPaddingInline: 10 },
    Form: { itemMarginBottom: 14, labelColor: "#22282b" },
    Modal: { contentBg: "#fffcf5", headerBg: "#fffcf5" },
  },
};

/** The theme without motion where the device asks for less of it. */
export function stillTheme(of: ThemeConfig): ThemeConfig {
  const still = matchMedia("(prefers-reduced-motion: reduce)").matches;
  return still ? { ...of, token: { ...of.token, motion: false } } : of;
}
