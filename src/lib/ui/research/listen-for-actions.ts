import { tinykeys } from 'tinykeys';
import { asCommand } from '../shell/keys';
import { verdicts } from '$lib/core/records/find';
import { keyPressed, researchActions, type ResearchAction } from '../shell/research-keys';

interface Listening {
  /** The key of each action, as it is now. */
  keys: () => Readonly<Record<ResearchAction, string>>;
  acts: Partial<Record<ResearchAction, () => unknown>>;
  /** What keys that cannot be changed do, by their pattern. */
  fixed: Record<string, () => unknown>;
  /** Whether the keys are somebody else's at the moment. */
  isElsewhere?: () => boolean;
}

/** Listens to the keys of Research, where nobody types and no dialog is open; answers how to stop. */
export function listenForActions({ keys, acts, fixed, isElsewhere = () => false }: Listening): () => void {
  const own = (event: KeyboardEvent) => {
    const action = researchActions.find(({ id }) => keys()[id] === keyPressed(event));
    const act = action && acts[action.id];
    // Who judges fast is not held up.
    if (act) asCommand(act, { evenHeld: (verdicts as readonly string[]).includes(action.id), isElsewhere })(event);
  };
  window.addEventListener('keydown', own);
  const stop = tinykeys(
    window,
    Object.fromEntries(Object.entries(fixed).map(([pattern, act]) => [pattern, asCommand(act, { isElsewhere })])),
  );
  return () => {
    window.removeEventListener('keydown', own);
    stop();
  };
}
