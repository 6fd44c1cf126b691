import { Component, type ReactNode } from 'react';
import { Button } from '.';

/** Keeps a fault of one page on that page: the rest of the program, and what was typed elsewhere, stays. A new `place` tries again. */
export class ErrorBoundary extends Component<
  { place: string; children: ReactNode },
  { error: Error | null; place: string }
> {
  override state = { error: null as Error | null, place: this.props.place };

  static getDerivedStateFromError(error: Error): { error: Error } {
    return { error };
  }

  static getDerivedStateFromProps(
    props: { place: string },
    state: { error: Error | null; place: string },
  ): { error: null; place: string } | null {
    return props.place === state.place ? null : { error: null, place: props.place };
  }

  override render(): ReactNode {
    const { error } = this.state;
    if (!error) return this.props.children;
    return (
      <div role="alert" className="max-w-xl p-6">
        <h1 className="text-2xl">This page ran into a problem</h1>
        <p className="mt-2">Nothing you recorded is lost. It says: {error.message}</p>
        <Button className="mt-4" onClick={() => this.setState({ error: null })}>
          Try again
        </Button>
      </div>
    );
  }
}
