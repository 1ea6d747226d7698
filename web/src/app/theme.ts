import { createTheme, type MantineColorsTuple } from '@mantine/core';

/** Ink, for everything that is not a stage of the path. */
const ink: MantineColorsTuple = [
  ...['#f0f3f4', '#dde3e5', '#bcc8cc', '#98abb2', '#79929b', '#5f7983'],
  ...['#46606a', '#344b54', '#283b43', '#1f2a30'],
] as unknown as MantineColorsTuple;

/** Warm dark greys: the night market. */
const dark: MantineColorsTuple = [
  ...['#e9e5db', '#c9c5bb', '#a5a29a', '#7d7b76', '#4a4d4e', '#3a3e40'],
  ...['#2b2f31', '#202426', '#171a1c', '#101314'],
] as unknown as MantineColorsTuple;

export const theme = createTheme({
  fontFamily:
    "'Atkinson Hyperlegible Next Variable', 'Noto Sans Symbols 2', 'Noto Emoji', system-ui, sans-serif",
  fontFamilyMonospace:
    "'Atkinson Hyperlegible Mono Variable', 'Noto Sans Symbols 2', 'Noto Emoji', ui-monospace, monospace",
  headings: { fontFamily: "'Bricolage Grotesque Variable', system-ui, sans-serif", fontWeight: '650' },
  colors: { ink, dark },
  primaryColor: 'ink',
  primaryShade: { light: 8, dark: 2 },
  autoContrast: true,
  defaultRadius: 6,
  fontSizes: { xs: '13px', sm: '14px', md: '15px', lg: '17px', xl: '20px' },
  cursorType: 'pointer',
  components: {
    // Said outright, so that look.css can tell filled buttons from others.
    Button: { defaultProps: { variant: 'filled' } },
    Tooltip: { defaultProps: { openDelay: 400, withArrow: true } },
    Modal: { defaultProps: { centered: true, overlayProps: { backgroundOpacity: 0.35 } } },
  },
});
