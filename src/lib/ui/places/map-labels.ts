/** A name on the map, where it stands and how it is written. */
export interface MapLabel {
  key: string;
  text: string;
  x: number;
  y: number;
  kind: 'included' | 'excluded' | 'other' | 'town';
}

const letterWidth = 6.2;
const lineHeight = 14;

const boxOf = ({ text, x, y }: MapLabel) => ({
  left: x,
  right: x + text.length * letterWidth + 10,
  top: y - lineHeight / 2,
  bottom: y + lineHeight / 2,
});

/** The labels that fit without lying on each other; earlier ones first. */
export function fitLabels(labels: readonly MapLabel[], [width, height]: readonly [number, number]): MapLabel[] {
  const taken: ReturnType<typeof boxOf>[] = [];
  return labels.filter((label) => {
    const box = boxOf(label);
    if (box.left < 0 || box.right > width || box.top < 0 || box.bottom > height) return false;
    if (taken.some((one) => box.left < one.right && one.left < box.right && box.top < one.bottom && one.top < box.bottom)) return false;
    taken.push(box);
    return true;
  });
}
