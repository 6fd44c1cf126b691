import { Moon, Sun, SunDim } from 'lucide-react';
import { useSyncExternalStore } from 'react';
import { showTheme, storedTheme, type Theme, THEME_KEY, THEMES } from './stored-theme';

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

export function applyTheme(theme: Theme): void {
  showTheme(theme);
  localStorage.setItem(THEME_KEY, theme);
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
