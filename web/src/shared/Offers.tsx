import { completeExpression, completeRule, completeTemplate, type Gadget } from '@hum-lever/core';
import OfferList, { type OfferListHand } from './OfferList.tsx';

/** What a line of text is written in. */
export type Language = 'rule' | 'expression' | 'template';
const complete = { rule: completeRule, expression: completeExpression, template: completeTemplate };

/** More than a dozen is a list to search, not a hint. */
const mostOffered = 12;

/** What could stand at the end of a text. */
export default function Offers({
  language,
  gadget,
  typed,
  change,
  ...list
}: OfferListHand & {
  language: Language;
  gadget: Gadget;
  typed: string;
  change: (typed: string) => void;
}) {
  const offers = complete[language](typed, typed.length, gadget).slice(0, mostOffered);
  return (
    <OfferList
      {...list}
      offers={offers.map(({ text }) => text)}
      written
      about="What could come next"
      take={(at) => {
        const { text, start } = offers[at]!;
        // After an open bracket, a dot or a closed text one goes on at once.
        change(`${typed.slice(0, start)}${text}${/[([.]$/.test(text) ? '' : ' '}`);
      }}
    />
  );
}
