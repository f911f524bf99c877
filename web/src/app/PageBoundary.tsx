import { Component, type ReactNode } from 'react';
import { Failure } from '../ui/States.js';
import { forgetFailedPages } from './page.js';

interface Props {
  /** The address whose page stands here; what broke one page is forgotten on the next. */
  place: string;
  children: ReactNode;
}

/** Where a page broke while it was fetched or drawn, what happened and what to do stand in its place. */
export class PageBoundary extends Component<Props, { place: string; failed?: { error: unknown } }> {
  override state: { place: string; failed?: { error: unknown } } = { place: this.props.place };

  static getDerivedStateFromError(error: unknown) {
    return { failed: { error } };
  }

  static getDerivedStateFromProps({ place }: Props, state: { place: string }) {
    return place === state.place ? null : { place, failed: undefined };
  }

  override componentDidCatch() {
    forgetFailedPages();
  }

  override render() {
    const { failed } = this.state;
    return failed ? <Failure error={failed.error} /> : this.props.children;
  }
}
