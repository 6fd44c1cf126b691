import { TriangleAlert } from 'lucide-react';
import type { ReactNode } from 'react';

/** What must be seen before going on: a caution where the hazard is met, or a step that stops. */
export function Callout({
  icon = false,
  role,
  className = 'px-3 py-2',
  children,
}: {
  icon?: boolean;
  role?: 'note' | 'alert';
  className?: string;
  children: ReactNode;
}) {
  return (
    <div role={role} className={`flex gap-2 border-l-4 border-clay bg-sand ${className}`}>
      {icon && <TriangleAlert size={18} className="mt-0.5 shrink-0" aria-hidden="true" />}
      <div className="min-w-0">{children}</div>
    </div>
  );
}
