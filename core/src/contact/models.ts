import type { ContactFigures } from '../gadget/index.ts';

type Bounce = Omit<ContactFigures, 'model' | Disturbed>;
type Disturbed = keyof typeof undisturbed;

/** What a sound contact on a short wire does beside bouncing: nothing. */
export const undisturbed = {
  chatterPerMinute: 0,
  chatterMaxUs: 2_000,
  glitchPerHour: 0,
  glitchMaxUs: 200,
  touch: null,
  captureId: null,
} as const;

/**
 * Starting figures of common classes of switch, from `reckoning` (bounce model): dome 0.2–3 ms, snap-action
 * 0.5–5 ms, leaf 2–10 ms, membrane 1–6 ms, toggle 2–15 ms, worn up to 25 ms with
 * chatter while held; encoders bounce like small snap contacts, and touch pads not at all. A part's own maker, or a captured
 * press, knows better.
 */
export const switchModels = {
  dome: { closeMaxUs: 2_000, openMaxUs: 3_000, againPerMille: 600, gapMedianUs: 180, gapSpreadPerMille: 600 },
  snap: { closeMaxUs: 3_500, openMaxUs: 5_000, againPerMille: 700, gapMedianUs: 300, gapSpreadPerMille: 700 },
  membrane: {
    closeMaxUs: 4_000,
    openMaxUs: 6_000,
    againPerMille: 650,
    gapMedianUs: 450,
    gapSpreadPerMille: 700,
  },
  leaf: {
    closeMaxUs: 8_000,
    openMaxUs: 10_000,
    againPerMille: 750,
    gapMedianUs: 600,
    gapSpreadPerMille: 800,
  },
  toggle: {
    closeMaxUs: 12_000,
    openMaxUs: 15_000,
    againPerMille: 750,
    gapMedianUs: 900,
    gapSpreadPerMille: 900,
  },
  worn: {
    closeMaxUs: 18_000,
    openMaxUs: 25_000,
    againPerMille: 850,
    gapMedianUs: 900,
    gapSpreadPerMille: 1_000,
  },
  encoder: {
    closeMaxUs: 1_500,
    openMaxUs: 2_000,
    againPerMille: 500,
    gapMedianUs: 150,
    gapSpreadPerMille: 600,
  },
  touch: { closeMaxUs: 0, openMaxUs: 0, againPerMille: 0, gapMedianUs: 1, gapSpreadPerMille: 0 },
} as const satisfies Record<string, Bounce>;

export type SwitchModel = keyof typeof switchModels;

/** A pad under a thin plate in a dry room. */
const usualTouch = {
  thresholdPerMille: 500,
  riseUs: 15_000,
  driftPerMillePerMinute: 5,
  recalibrateUs: 60_000_000,
} as const;

/** The contact of a fresh part of that class. */
export function contactOf(model: SwitchModel): ContactFigures {
  const contact: ContactFigures = { model, ...switchModels[model], ...undisturbed };
  if (model === 'worn') return { ...contact, chatterPerMinute: 60, chatterMaxUs: 4_000 };
  return model === 'touch' ? { ...contact, touch: { ...usualTouch } } : contact;
}
