import { theme, type ThemeConfig } from 'antd';

/** Hollin's look for Ant Design's components: square-ish, quiet, leaf green; red is kept for danger. */
export function antTheme(dark: boolean): ThemeConfig {
  return {
    algorithm: dark ? theme.darkAlgorithm : theme.defaultAlgorithm,
    cssVar: { key: 'hollin' },
    token: {
      fontFamily: "'Barlow Semi Condensed', sans-serif",
      fontSize: 15,
      colorPrimary: dark ? '#6fb08a' : '#1d4d36',
      colorInfo: dark ? '#6fb08a' : '#1d4d36',
      colorLink: dark ? '#8cc9a3' : '#1d5a3d',
      colorError: dark ? '#f0718a' : '#ad1030',
      colorWarning: dark ? '#e5a14b' : '#a35a0c',
      colorSuccess: dark ? '#6fb08a' : '#2c7a4f',
      colorBgBase: dark ? '#161c18' : '#fbf9f2',
      colorTextBase: dark ? '#e9ece4' : '#1c241f',
      colorBorder: dark ? '#4d5a51' : '#8b8f80',
      colorTextPlaceholder: dark ? '#a4afa5' : '#62685d',
      // An instrument answers at once.
      motion: false,
      borderRadius: 4,
      controlHeight: 36,
      wireframe: false,
      boxShadowSecondary: '0 6px 24px rgba(20,30,24,.22)',
    },
    components: {
      Button: {
        fontWeight: 600,
        primaryShadow: 'none',
        defaultShadow: 'none',
        primaryColor: dark ? '#10170f' : '#ffffff',
      },
      Segmented: {
        itemColor: dark ? '#c9d1c8' : '#454c44',
        itemHoverColor: dark ? '#ffffff' : '#1c241f',
        itemSelectedBg: dark ? '#2d5a43' : '#1d4d36',
        itemSelectedColor: '#fff',
        trackBg: dark ? '#222b25' : '#e6e1d0',
      },
      Modal: { titleFontSize: 18 },
      Table: { headerBg: dark ? '#222b25' : '#ece8d9', cellPaddingBlockSM: 5 },
    },
  };
}
