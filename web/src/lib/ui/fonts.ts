/** Longest wait for the fonts, ms (assumption): on a slow network the page comes in a font of the device. */
const patience = 1000;

const weights = { '--font-sans': [400, 700], '--font-numeral': [600] };

async function loaded() {
  const style = getComputedStyle(document.documentElement);
  const wanted = Object.entries(weights).flatMap(([name, list]) =>
    list.map((weight) => `${weight} 1em ${style.getPropertyValue(name)}`)
  );
  await Promise.allSettled(wanted.map((font) => document.fonts.load(font)));
}

/** The fonts are here, so that nothing is drawn in another one first and jumps when they come. */
export const fonts = Promise.race([loaded(), new Promise<void>((done) => setTimeout(done, patience))]);
