export const THEMES = ['day', 'glare', 'night'] as const;
export type Theme = (typeof THEMES)[number];

const KEY = 'fanega.theme';

export function storedTheme(): Theme {
  const stored = localStorage.getItem(KEY);
  return THEMES.find((theme) => theme === stored) ?? 'day';
}

export function applyTheme(theme: Theme): void {
  document.documentElement.dataset.theme = theme;
  localStorage.setItem(KEY, theme);
}
