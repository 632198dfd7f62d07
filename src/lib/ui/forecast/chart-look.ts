/** The colours and the type of the page, for what is drawn on a canvas: tokens as they are in the appearance that is chosen. */
export function lookOf(canvas: HTMLCanvasElement) {
  const tone = (name: string) => {
    canvas.style.color = `var(${name})`;
    return getComputedStyle(canvas).color;
  };
  return { tone, font: { family: getComputedStyle(canvas).fontFamily, size: 11.5 } };
}

/** The same colour, seen through. */
export const thin = (colour: string, share: number) => colour.replace(/^rgb\((.*)\)$/, `rgba($1, ${share})`);

/** Loads the chart package with the parts that the charts here are made of. */
export async function loadCharts() {
  const { Chart, LineController, BarController, LineElement, BarElement, PointElement, CategoryScale, LinearScale, Filler, Tooltip } =
    await import('chart.js');
  Chart.register(LineController, BarController, LineElement, BarElement, PointElement, CategoryScale, LinearScale, Filler, Tooltip);
  return Chart;
}
