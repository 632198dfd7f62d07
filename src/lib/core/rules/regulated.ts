import words from './regulated.json';
import { holdsPhrase } from './word-lists';

/** Trades whose wording, targeting and permits are regulated, each with the word that tells. */
export const findRegulated = (texts: readonly string[]): { trade: string; word: string }[] =>
  Object.entries(words).flatMap(([trade, list]) => {
    const word = list.find((one) => texts.some((text) => holdsPhrase(text, one)));
    return word === undefined ? [] : [{ trade, word }];
  });
