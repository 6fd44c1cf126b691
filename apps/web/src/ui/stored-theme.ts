export const THEMES = ['day', 'glare', 'night'] as const;
export type Theme = (typeof THEMES)[number];

export const THEME_KEY = 'fanega.theme';

export function storedTheme(): Theme {
  const stored = localStorage.getItem(THEME_KEY);
  return THEMES.find((theme) => theme === stored) ?? 'day';
}

/** Before anything is drawn: no white page at night. */
export const showTheme = (theme = storedTheme()): void => void (document.documentElement.dataset.theme = theme);
