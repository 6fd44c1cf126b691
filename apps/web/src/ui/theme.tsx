import { Moon, Sun, SunDim } from 'lucide-react';
import { useSyncExternalStore } from 'react';

export const THEMES = ['day', 'glare', 'night'] as const;
export type Theme = (typeof THEMES)[number];

const KEY = 'fanega.theme';
const LOOK: Record<Theme, { readonly label: string; readonly Icon: typeof Sun }> = {
  day: { label: 'Day', Icon: SunDim },
  glare: { label: 'Glare', Icon: Sun },
  night: { label: 'Night', Icon: Moon },
};

const listeners = new Set<() => void>();
const subscribe = (listener: () => void): (() => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

export function storedTheme(): Theme {
  const stored = localStorage.getItem(KEY);
  return THEMES.find((theme) => theme === stored) ?? 'day';
}

export function applyTheme(theme: Theme): void {
  document.documentElement.dataset.theme = theme;
  localStorage.setItem(KEY, theme);
  for (const listener of listeners) listener();
}

/** Day, glare, night, and round again. */
export function ThemeButton({ size = 20, className = 'min-h-11 min-w-11' }: { size?: number; className?: string }) {
  const theme = useSyncExternalStore(subscribe, storedTheme);
  const next = THEMES[(THEMES.indexOf(theme) + 1) % THEMES.length]!;
  const { label, Icon } = LOOK[theme];
  const words = `Theme: ${label}, change to ${LOOK[next].label}`;
  return (
    <button
      type="button"
      aria-label={words}
      title={words}
      onClick={() => applyTheme(next)}
      className={`flex items-center justify-center ${className}`}
    >
      <Icon size={size} />
    </button>
  );
}
