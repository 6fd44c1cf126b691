/** Of a link that shows nothing any more, or never did. */
export const NothingToShow = ({ why }: { why: string }) => (
  <main className="mx-auto max-w-2xl px-5 py-16">
    <h1 className="text-3xl">Nothing to show</h1>
    <p className="mt-3 text-lg">{why}</p>
    <p className="mt-1 text-muted">Ask the farm that sent it to you for a new one.</p>
  </main>
);
