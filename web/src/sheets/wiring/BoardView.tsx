import {
  crossings,
  layBoard,
  pinsOf,
  seatsOf,
  standOff,
  type Lead,
  type Nets,
  type PinFacts,
  type Seat,
  type Spot,
} from '@hum-lever/core';
import { useMemo, useState } from 'react';
import { count, light, showVolts, useFound } from '../../shared/index.ts';
import { useSnags } from '../../snags/index.ts';
import { LockField, PlaceField } from './LeadFields.tsx';
import { keyOfLead, needOf, stageOfLead } from './leads.ts';
import classes from './Wiring.module.css';

/** Pixels of a pitch, and room for the names beside the board. */
const pitch = 20;
const nameRoom = 176;
const leastScale = 0.9;

/** What a pin can do beyond in and out, as letters; the legend says which. */
const talents: [letter: string, word: string, has: (pin: PinFacts) => boolean][] = [
  ['a', 'analog', (pin) => pin.analog],
  ['d', 'dims (PWM)', (pin) => pin.pwm.length > 0],
  ['i', 'interrupt', (pin) => pin.edge !== null],
  ['w', 'wakes', (pin) => pin.wake],
  ['b', 'bus', (pin) => pin.bus.length > 0],
  ['n', 'no pull', (pin) => pin.signal && pin.in && !pin.pullUp],
  ['o', 'in only', (pin) => pin.signal && !pin.out && !pin.usb],
];
const traps = (pin: PinFacts) => pin.upload || pin.console || pin.boot !== null;

/** The board as it lies, with threads from the parts to its pins. */
export function BoardView({ nets }: { nets: Nets }) {
  const [chosen, setChosen] = useState<string | null>(null);
  const board = nets.board!;
  const layout = layBoard(board);
  const seats = useMemo(() => seatsOf(nets.owners, layout), [nets, layout]);
  const leads = new Map(nets.leads.map((lead) => [keyOfLead(lead), lead]));
  const pins = pinsOf(board);
  const bottom = Math.max(layout.height, ...seats.map(({ y }) => y)) + 1;
  const left = -(standOff * pitch + nameRoom);
  const width = 2 * (standOff * pitch + nameRoom) + layout.width * pitch;
  const threads = seats.flatMap((seat) => {
    const lead = leads.get(`${seat.ownerId}.${seat.terminal}`);
    const spot = lead?.pin ? layout.pins.get(lead.pin.name) : undefined;
    return lead && spot ? [{ seat, lead, spot }] : [];
  });
  const picked = chosen === null ? undefined : leads.get(chosen);
  return (
    <figure className={classes.figure}>
      <svg
        className={classes.drawing}
        // Never so small that the names cannot be read; then it scrolls.
        style={{ minWidth: width * leastScale }}
        viewBox={`${left} ${-1.6 * pitch} ${width} ${(bottom + 2.2) * pitch}`}
        role="group"
        aria-label={`${board.name} with ${count(threads.length, 'thread')}`}
        onMouseLeave={() => light([])}
      >
        {threads.map(({ seat, lead, spot }) => (
          <Thread
            key={keyOfLead(lead)}
            seat={seat}
            lead={lead}
            spot={spot}
            width={layout.width}
            chosen={chosen === keyOfLead(lead)}
          />
        ))}
        <rect className={classes.board} width={layout.width * pitch} height={layout.height * pitch} rx={6} />
        {[...layout.pins].map(([name, spot]) => (
          <Pin key={name} pin={pins.get(name)!} spot={spot} leads={nets.byPin.get(name) ?? []} />
        ))}
        {seats.map((seat) => {
          const lead = leads.get(`${seat.ownerId}.${seat.terminal}`)!;
          const key = keyOfLead(lead);
          return (
            <SeatMark
              key={key}
              seat={seat}
              lead={lead}
              width={layout.width}
              chosen={chosen === key}
              choose={() => setChosen(chosen === key ? null : key)}
            />
          );
        })}
      </svg>
      <figcaption>
        {picked ? (
          <Picked nets={nets} lead={picked} />
        ) : (
          <p className={classes.legend}>
            {talents.map(([letter, word]) => (
              <span key={letter}>
                <b className="number">{letter}</b> {word}
              </span>
            ))}
            <span>
              <b className={classes.trap}>!</b> trap: upload, console or start
            </span>
            <span>{count(crossings(threads), 'crossing')}</span>
            <span>Choose an end to lead it elsewhere.</span>
          </p>
        )}
      </figcaption>
    </figure>
  );
}

function Picked({ nets, lead }: { nets: Nets; lead: Lead }) {
  return (
    <div className={classes.line} role="group" aria-label={`${lead.owner.name} ${lead.terminal.name}`}>
      <strong>
        {lead.owner.name} {lead.terminal.name}
      </strong>
      <span className="soft">{needOf(lead)}, leads to</span>
      <PlaceField nets={nets} lead={lead} />
      <span className={classes.buttons}>
        <LockField lead={lead} /> soldered
      </span>
    </div>
  );
}

const seatX = (side: Seat['side'], width: number) =>
  side === 'left' ? -standOff * pitch : (width + standOff) * pitch;

function Thread({
  seat,
  lead,
  spot,
  width,
  chosen,
}: {
  seat: Seat;
  lead: Lead;
  spot: Spot;
  width: number;
  chosen: boolean;
}) {
  const [x1, y1] = [seatX(seat.side, width), seat.y * pitch];
  const [x2, y2] = [spot.x * pitch, spot.y * pitch];
  const out = 3.2 * pitch;
  // Leaves the part straight and meets the pin from outside.
  const [c1x, c2x] = [
    x1 + (seat.side === 'left' ? out : -out),
    x2 + (spot.edge === 'left' ? -out : spot.edge === 'right' ? out : 0),
  ];
  const c2y = y2 + (spot.edge === 'top' ? -out : spot.edge === 'bottom' ? out : 0);
  const d = `M ${x1} ${y1} C ${c1x} ${y1} ${c2x} ${c2y} ${x2} ${y2}`;
  return (
    <g
      className={`${classes.thread} stage-${stageOfLead(lead)}`}
      data-locked={lead.wire?.locked || undefined}
      data-chosen={chosen || undefined}
      onMouseEnter={() => light(lead.owner.endIds)}
    >
      <title>{`${lead.owner.name} ${lead.terminal.name} to ${lead.pin!.name}`}</title>
      <path d={d} />
      {/* Wide enough to be hit with a mouse. */}
      <path className={classes.reach} d={d} />
    </g>
  );
}

function Pin({ pin, spot, leads }: { pin: PinFacts; spot: Spot; leads: readonly Lead[] }) {
  const [x, y] = [spot.x * pitch, spot.y * pitch];
  const letters = talents.filter(([, , has]) => pin.signal && has(pin)).map(([letter]) => letter);
  // Inwards from the pin; along the upper and lower edge, names stand on end.
  const turn = { left: 0, right: 0, top: 90, bottom: -90 }[spot.edge];
  const isRight = spot.edge === 'right';
  const said = [
    ...talents.filter(([, , has]) => has(pin)).map(([, word]) => word),
    ...(pin.upload ? ['used for uploading'] : []),
    ...(pin.console ? ['console'] : []),
    ...(pin.boot === null ? [] : [`must be ${pin.boot} at the start`]),
    ...(pin.givesMv === null ? [] : [`gives ${showVolts(pin.givesMv)}`]),
    ...(pin.takesMv === null ? [] : [`takes up to ${showVolts(pin.takesMv)}`]),
    ...(pin.ground ? ['ground'] : []),
  ];
  return (
    <g
      className={classes.pin}
      data-power={!pin.signal || undefined}
      data-used={leads.length > 0 || undefined}
    >
      <title>{`${pin.name}: ${said.join(', ') || 'in and out'}`}</title>
      {pin.signal ? <circle cx={x} cy={y} r={4.5} /> : <rect x={x - 4.5} y={y - 4.5} width={9} height={9} />}
      <text
        transform={`translate(${x} ${y}) rotate(${turn})`}
        x={isRight ? -10 : 10}
        y={4}
        textAnchor={isRight ? 'end' : 'start'}
      >
        <tspan className={classes.pinName}>{pin.name}</tspan>
        {letters.length > 0 && <tspan className={classes.talents}> {letters.join('')}</tspan>}
        {traps(pin) && <tspan className={classes.trap}> !</tspan>}
        {!pin.signal && leads.length > 0 && <tspan className={classes.talents}> ×{leads.length}</tspan>}
      </text>
    </g>
  );
}

function SeatMark({
  seat,
  lead,
  width,
  chosen,
  choose,
}: {
  seat: Seat;
  lead: Lead;
  width: number;
  chosen: boolean;
  choose: () => void;
}) {
  const x = seatX(seat.side, width);
  const y = seat.y * pitch;
  const isLeft = seat.side === 'left';
  const place = lead.owner.id;
  const signals = lead.owner.terminals.filter(({ role }) => role === 'signal').map(({ name }) => name);
  const bad = useSnags((state) =>
    state.report?.snags.some(
      (snag) =>
        snag.place.id === place &&
        snag.level !== 'note' &&
        // What is wrong with an end that is not drawn here is shown at all of its part that are.
        (snag.values.terminal === lead.terminal.name || !signals.includes(String(snag.values.terminal))),
    ),
  );
  const found = useFound((state) => state.place?.id === place);
  const show = () => light(lead.owner.endIds);
  const { name } = lead.owner;
  return (
    <g
      className={`${classes.seat} stage-${stageOfLead(lead)} ${found ? 'found' : ''}`}
      role="button"
      tabIndex={0}
      aria-pressed={chosen}
      aria-label={`${name} ${lead.terminal.name}, ${lead.pin ? `leads to ${lead.pin.name}` : 'leads nowhere'}${bad ? ', has a snag' : ''}`}
      data-chosen={chosen || found || undefined}
      data-loose={lead.wire === null || undefined}
      onClick={choose}
      onKeyDown={(event) => {
        if (event.key !== 'Enter' && event.key !== ' ') return;
        event.preventDefault();
        choose();
      }}
      onMouseEnter={show}
      onFocus={show}
      onBlur={() => light([])}
    >
      <title>{`${name} ${lead.terminal.name}`}</title>
      <rect x={isLeft ? x - nameRoom + 6 : x - 6} y={y - 10} width={nameRoom} height={20} rx={4} />
      <circle cx={x} cy={y} r={4} />
      <text x={isLeft ? x - 10 : x + 10} y={y + 4} textAnchor={isLeft ? 'end' : 'start'}>
        {bad && <tspan className={classes.trap}>! </tspan>}
        {name.length > 16 ? `${name.slice(0, 15)}…` : name}
        <tspan className={classes.talents}> {lead.terminal.name}</tspan>
      </text>
    </g>
  );
}
