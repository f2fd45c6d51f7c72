import { Component, type ReactNode } from 'react';
import { Button, Note } from './bits';

type Props = { what: string; children: ReactNode };

/** A part of a page that may fail by itself: a throw or a piece that can't be fetched blanks this part and nothing else. */
export class Guarded extends Component<Props, { failed?: string }> {
  override state: { failed?: string } = {};

  static getDerivedStateFromError(e: unknown) {
    return { failed: e instanceof Error ? e.message : String(e) };
  }

  override render() {
    if (this.state.failed === undefined) return this.props.children;
    return (
      <Note role="alert">
        <b>This part can’t be shown: {this.props.what}.</b> Everything else works, and what is stored is untouched.{' '}
        <Button onPress={() => this.setState({ failed: undefined })}>Try again</Button>
        <details>
          <summary>What went wrong</summary>
          <p>{this.state.failed}</p>
        </details>
      </Note>
    );
  }
}
