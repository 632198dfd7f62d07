import { Proposer } from '$lib/core/groups/proposal';
import { type ListAsked, type Steering } from '$lib/core/groups/proposal-types';

/** A list to be read from now on, or none where the last one stands; and how it is to be cut. Answered with a proposal. */
export interface CutAsked {
  list: ListAsked | null;
  steering: Steering;
}

let proposer: Proposer | null = null;

onmessage = ({ data: { list, steering } }: MessageEvent<CutAsked>) => {
  if (list) proposer = new Proposer(list);
  if (proposer) postMessage(proposer.propose(steering));
};
