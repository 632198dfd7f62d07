import { researchActions, showKey } from './research-keys';

/** A key, as it is shown, and what it does. */
export interface ListedKey {
  keys: string;
  does: string;
}

/** Every key there is, by where it works: the sheet of keys and the README’s table are made of it. Those of Research can be changed. */
export const listedKeys: readonly { name: string; keys: readonly ListedKey[] }[] = [
  {
    name: 'Everywhere',
    keys: [
      { keys: 'Ctrl K', does: 'Go to a plan, chapter, group, ad or command' },
      { keys: 'Ctrl Z', does: 'Undo the last step; in a field its own undo comes first' },
      { keys: 'Ctrl Shift Z', does: 'Make the last undone step again' },
      { keys: 'Ctrl Enter', does: 'The main thing of a dialog' },
      { keys: '1 … 8', does: 'Open a chapter' },
      { keys: 'N', does: 'Fold or open the margin' },
      { keys: '?', does: 'This sheet' },
      { keys: 'Esc', does: 'Leave a field, a menu or a sheet' },
    ],
  },
  { name: 'Shelf', keys: [{ keys: 'P', does: 'New plan' }] },
  {
    name: 'Search terms',
    keys: [
      { keys: '↑ ↓', does: 'Another term' },
      { keys: 'E', does: 'Keep it as an exact keyword' },
      { keys: 'G', does: 'Keep it in a group' },
      { keys: 'B', does: 'Block it where it was answered' },
      { keys: 'A', does: 'Block it everywhere' },
      { keys: 'O', does: 'Into a group of its own, or out again' },
      { keys: 'W', does: 'Wait for more clicks' },
      { keys: 'Shift', does: 'With E, B, A or W: all terms of the chosen word, else of the judgement, that are not decided' },
      { keys: 'Ctrl Enter', does: 'Make the group of its own' },
    ],
  },
  {
    name: 'Groups',
    keys: [
      { keys: '↑ ↓', does: 'Another row' },
      { keys: 'Space', does: 'Choose a keyword' },
      { keys: 'Ctrl A', does: 'Choose all that are shown' },
      { keys: 'H', does: 'Show those that hold a text' },
      { keys: 'M', does: 'Move the chosen ones, to a group or a new one' },
      { keys: 'C', does: 'Copy the chosen ones, to a group or another campaign' },
      { keys: 'O', does: 'One group for each of the chosen ones, with page and ads' },
      { keys: 'S', does: 'Split off those of the group that hold a word' },
      { keys: 'P', does: 'Names and pages of groups by a pattern' },
      { keys: 'U', does: 'Tidy up: the same words in another order, empty groups' },
      { keys: 'Enter', does: 'Write a keyword, then the next one; fold a group' },
      { keys: 'Ctrl D', does: 'Fill match type and bid down' },
      { keys: 'Ctrl V', does: 'Keywords, match types and bids out of a spreadsheet' },
      { keys: 'Alt ↑ ↓', does: 'Earlier or later in its group or campaign' },
      { keys: 'R', does: 'Find and replace, every result shown first' },
      { keys: 'T', does: 'Match type of the chosen ones, set or added' },
      { keys: 'Delete', does: 'Take the chosen ones out' },
    ],
  },
  {
    name: 'Groups proposed',
    keys: [
      { keys: '↑ ↓', does: 'Another group, or keyword' },
      { keys: '→ ←', does: 'Its keywords and what is left over, and back' },
      { keys: 'Space', does: 'In or out' },
      { keys: 'M', does: 'Move a keyword, or all of a group' },
      { keys: 'J', does: 'Join with another group' },
      { keys: 'S', does: 'Split off those that hold a word' },
      { keys: 'T', does: 'The theme names the trade' },
      { keys: 'E', does: 'The theme is one ad with another' },
      { keys: 'F', does: 'Leave a group that stands as it is' },
      { keys: 'Enter', does: 'What is left over into its second best' },
      { keys: '− +', does: 'Fewer, more groups' },
      { keys: 'F2', does: 'The group’s name' },
    ],
  },
  {
    name: 'Ads',
    keys: [
      { keys: '[[', does: 'A slot, in a line' },
      { keys: 'Enter', does: 'Next line, a new one after the last' },
      { keys: '↑ ↓', does: 'Line above, line below' },
      { keys: 'Alt ← →', does: 'Another keyword in the preview' },
    ],
  },
  {
    name: 'All ads',
    keys: [
      { keys: '↑ ↓ ← →', does: 'Another cell; with Shift ads are chosen on the way' },
      { keys: 'Enter', does: 'Write the cell, then the one below; a letter begins it anew' },
      { keys: 'Tab', does: 'The cell is written, on to the next' },
      { keys: 'Space', does: 'Choose an ad: what is written goes into all chosen ones' },
      { keys: 'Ctrl D', does: 'Fill down' },
      { keys: 'Ctrl V', does: 'A block out of a spreadsheet' },
      { keys: 'Ctrl H', does: 'Find and replace, every result shown first' },
      { keys: 'Alt 0 1 2 3', does: 'Free, first, second, third position' },
      { keys: 'Delete', does: 'Empty the cell' },
    ],
  },
  {
    name: 'Forecast',
    keys: [
      { keys: 'G', does: 'A group or a keyword alone' },
      { keys: 'L', does: 'Bids by level' },
      { keys: 'W', does: 'A scenario beside the plan' },
      { keys: 'D', does: 'Charts as tables' },
    ],
  },
  {
    name: 'Proof',
    keys: [
      { keys: 'Enter', does: 'Go there' },
      { keys: 'M', does: 'Mend' },
      { keys: 'A', does: 'Set aside' },
    ],
  },
];

/** Keys of Research that cannot be changed. */
export const fixedResearchKeys: readonly ListedKey[] = [
  { keys: '↑ ↓', does: 'Another find; with Shift several' },
  { keys: 'Shift 1 … 9', does: 'Block for those words of the find' },
  { keys: 'Esc', does: 'Leave a word' },
];

/** The table of keys in the README, in Markdown; Research with the keys that it ships with. */
export function writeKeyTable(): string {
  const research = {
    name: 'Research',
    keys: [...researchActions.map(({ key, does }) => ({ keys: showKey(key), does })), ...fixedResearchKeys],
  };
  const rows = [...listedKeys, research].flatMap(({ name, keys }) => keys.map((one) => `| ${name} | \`${one.keys}\` | ${one.does} |`));
  return ['| where | key | what it does |', '| --- | --- | --- |', ...rows].join('\n');
}
