import type { ReactNode } from 'react';
import { NavLink, useLocation, useNavigate } from 'react-router';

/** A page of a station, with where it lies. */
export interface SubPage {
  /** Under the station; empty for its first. */
  readonly path: string;
  readonly name: string;
}

/** A page: its name, its sisters beside it, what can be done on it, and what it says. */
export function Page({
  title,
  lead,
  base,
  pages,
  search = '',
  beside,
  actions,
  children,
}: {
  title: string;
  /** One sentence under the name. */
  lead?: string;
  /** Of the station: its pages lie under it. */
  base?: string;
  pages?: readonly SubPage[];
  /** Goes along from page to page. */
  search?: string;
  /** Stands by the name: what the whole station is about. */
  beside?: ReactNode;
  actions?: ReactNode;
  children: ReactNode;
}) {
  return (
    <div>
      <div className="flex flex-wrap items-center gap-x-6 gap-y-2 border-b border-ink px-5 py-2.5 lg:px-6">
        <h1 className="text-2xl">{title}</h1>
        {beside}
        {pages && <Sisters title={title} base={base!} pages={pages} search={search} />}
        {actions && <div className="ml-auto flex flex-wrap gap-3">{actions}</div>}
        {lead && <p className="w-full text-muted">{lead}</p>}
      </div>
      {children}
    </div>
  );
}

/** The pages of a station: side by side on a desk, one box on a phone, where seven names would stand in three lines before the verdict. */
function Sisters({
  title,
  base,
  pages,
  search,
}: {
  title: string;
  base: string;
  pages: readonly SubPage[];
  search: string;
}) {
  const navigate = useNavigate();
  const { pathname } = useLocation();
  const to = (path: string): string => (path === '' ? base : `${base}/${path}`);
  const here = pages.find(({ path }) => to(path) === pathname.replace(/(.)\/$/, '$1'));
  return (
    <nav aria-label={title} className="min-w-0 grow md:-mx-2 md:grow-0">
      <select
        aria-label={`Page of ${title}`}
        className="min-h-11 w-full border border-ink bg-paper px-3 font-semibold md:hidden"
        value={here?.path ?? 'elsewhere'}
        onChange={(event) => void navigate({ pathname: to(event.target.value), search })}
      >
        {!here && <option value="elsewhere">…</option>}
        {pages.map(({ path, name }) => (
          <option key={path} value={path}>
            {name}
          </option>
        ))}
      </select>
      <div className="hidden max-w-full min-w-0 flex-wrap md:flex">
        {pages.map(({ path, name }) => (
          <NavLink
            key={path}
            to={{ pathname: to(path), search }}
            end
            className="inline-flex min-h-11 items-center border-b-4 border-transparent px-3 font-semibold whitespace-nowrap aria-[current=page]:border-clay"
          >
            {name}
          </NavLink>
        ))}
      </div>
    </nav>
  );
}

/** A part of a page with its name; `beside` one above it stands a line on a desk. */
export function Section({
  title,
  label = title,
  className = '',
  children,
}: {
  title?: string;
  /** For a reader who cannot see it, where it has no name on the page. */
  label?: string;
  className?: string;
  children: ReactNode;
}) {
  return (
    <section aria-label={label} className={`min-w-0 px-5 py-5 lg:px-6 ${className}`}>
      {title && <h2 className="mb-2 text-xl">{title}</h2>}
      {children}
    </section>
  );
}
