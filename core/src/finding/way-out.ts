/** What a finding can be about. */
export type Noun = 'ingredient' | 'recipe' | 'piece' | 'box' | 'order' | 'kitchen' | 'day';

/** What a finding is about, so that a screen can open it. */
export interface Subject<N extends Noun = Noun> {
  readonly noun: N;
  readonly id: string;
  readonly name: string;
}

/** What a way out does when its button is pressed. */
export type WayOutAction =
  | { readonly kind: 'open'; readonly subject: Subject }
  | {
      readonly kind: 'swap-box';
      readonly orderId: string;
      readonly fromBoxId: string;
      /** What is ruled out of those boxes alone, which tells them from others of the same kind. */
      readonly without: readonly string[];
      readonly toBoxId: string;
    }
  | {
      /** Puts pieces in place of others in a box of the order. */
      readonly kind: 'stand-in';
      readonly orderId: string;
      readonly boxId: string;
      readonly standIns: readonly { readonly pieceId: string; readonly withId: string }[];
    }
  | {
      /** Puts a text for the customer on the clipboard. */
      readonly kind: 'copy';
      readonly text: string;
    }
  | {
      readonly kind: 'agree';
      readonly orderId: string;
      readonly boxId: string;
      readonly exclusion: string;
    }
  | {
      /** Leaves out of a box what breaks the order's exclusions, for less money. */
      readonly kind: 'leave-out';
      readonly orderId: string;
      readonly boxId: string;
      readonly without: readonly string[];
      readonly lessMinor: number;
    }
  | { readonly kind: 'move-order'; readonly orderId: string; readonly to: string }
  /** Opens the prices of everything that needs one. */
  | { readonly kind: 'give-prices' }
  /** Has the whole season worked out anew. */
  | { readonly kind: 'plan-again' }
  | { readonly kind: 'move-run'; readonly recipeId: string; readonly from: string; readonly to: string }
  /** Lets days run over by so many minutes at most, and has the season worked out anew. */
  | { readonly kind: 'overtime'; readonly minutes: number }
  | {
      /** Batches that were to be made on a day that is over were made. */
      readonly kind: 'say-made';
      readonly recipeId: string;
      readonly recipeName: string;
      readonly on: string;
      readonly batches: readonly { readonly size: number; readonly count: number }[];
    }
  | {
      /** Gives an order the box as it is now in place of what was sold. */
      readonly kind: 'renew-box';
      readonly orderId: string;
      readonly boxId: string;
    };

/** One way to decide a finding. */
export interface WayOut {
  readonly label: string;
  readonly action: WayOutAction;
}

/**
 * `stop`: it cannot go on like this. `decide`: the maker has to choose.
 * `know`: worth knowing, nothing to do.
 */
export const severities = ['stop', 'decide', 'know'] as const;
export type Severity = (typeof severities)[number];

/** A way out that only opens the subject. */
export const openWayOut = (subject: Subject, label = `Open ${subject.name}`): WayOut => ({
  label,
  action: { kind: 'open', subject },
});
