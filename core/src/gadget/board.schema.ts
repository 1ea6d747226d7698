import * as z from 'zod';
import { limits } from './limits.ts';
import { classIdSchema } from './parts.schema.ts';
import { lineSchema, nameSchema, wholeSchema } from './primitives.schema.ts';

export const edges = ['left', 'right', 'top', 'bottom'] as const;

/**
 * What a pin can do, one word each; `name@unit` ties it to a peripheral that others share, `~` in front says that
 * the peripheral is led there by a switch matrix and is not native.
 */
export const pinTokenSchema = z
  .string()
  .regex(
    /^(in|out|analog|pull-up|pull-down|wake|usb|upload|console|boot-high|boot-low|radio|hidden|ground|edge|edge@[A-Za-z0-9]{1,8}|~?(pwm|sda|scl|mosi|miso|sck|tx|rx|bclk|ws|dout)@[A-Za-z0-9]{1,8}|(gives|takes|from)@\d{3,5})$/,
    'expected words such as "in", "pull-up", "pwm@T1", "sda@W0", "gives@5000", "ground", "upload"',
  );

export const pinSchema = z.strictObject({
  name: z
    .string()
    .regex(/^[A-Za-z0-9+_.-]{1,12}$/, 'expected a pin name such as "D3" (at most 12 characters)'),
  edge: z.enum(edges),
  /** Pins of one port share a limit of current; "": none. */
  port: z.string().regex(/^[A-Za-z0-9]{0,8}$/, 'expected a port such as "B"'),
  can: z.array(pinTokenSchema).max(limits.pinTokens),
});

const timerIdSchema = z.string().regex(/^[A-Za-z0-9]{1,8}$/, 'expected a timer such as "T2"');

/** A counter that toggles a pin whenever it has come to a number, and begins again. */
export const timerSchema = z.strictObject({
  id: timerIdSchema,
  /** How wide it is. */
  bits: wholeSchema(8, 32),
  /** What the board's clock can be divided by before it counts. */
  prescalers: z.array(wholeSchema(1, 65_536)).min(1, 'expected at least one prescaler').max(32),
});

export const boardSchema = z
  .strictObject({
    id: classIdSchema,
    name: nameSchema,
    note: lineSchema(limits.sentenceChars),
    logicMv: wholeSchema(900, 24_000, 'mV'),
    /** What a pin gives or takes as an output, continuously. */
    pinMaxUa: wholeSchema(0, 1_000_000, 'µA'),
    portMaxUa: wholeSchema(0, 5_000_000, 'µA'),
    allPinsMaxUa: wholeSchema(0, 10_000_000, 'µA'),
    /** What its own rails give to parts, together. */
    railMaxUa: wholeSchema(0, 50_000_000, 'µA'),
    /** What it draws itself while awake. */
    ownUa: wholeSchema(0, 5_000_000, 'µA'),
    adcBits: wholeSchema(0, 24),
    clockHz: wholeSchema(0, 2_000_000_000, 'Hz'),
    flashBytes: wholeSchema(0, 2_000_000_000, 'bytes'),
    ramBytes: wholeSchema(0, 2_000_000_000, 'bytes'),
    settingsBytes: wholeSchema(0, 2_000_000_000, 'bytes'),
    usb: z.enum(['native', 'serial', 'none']),
    /** Timers that can make a tone or steer a servo, on any output pin, while they do nothing else. */
    toneTimers: z.array(timerIdSchema).max(16),
    servoTimers: z.array(timerIdSchema).max(16),
    /** What is known of them; pitches of others are taken for exact. */
    timers: z.array(timerSchema).max(16),
    priceCents: wholeSchema(0, limits.priceCents),
    pins: z.array(pinSchema).min(1, 'expected at least one pin').max(limits.boardPins),
  })
  .superRefine(({ pins }, context) => {
    const seen = new Set<string>();
    pins.forEach(({ name }, index) => {
      if (seen.has(name))
        context.addIssue({
          code: 'custom',
          path: ['pins', index, 'name'],
          message: `expected a pin name used once, got "${name}" again`,
        });
      seen.add(name);
    });
  });

export type Edge4 = (typeof edges)[number];
export type BoardPin = z.infer<typeof pinSchema>;
export type Timer = z.infer<typeof timerSchema>;
export type Board = z.infer<typeof boardSchema>;
