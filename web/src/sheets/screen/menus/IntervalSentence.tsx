import {
  fitsInterval,
  intervalSums,
  variableStart,
  type Gadget,
  type Interval,
  type IntervalTerm,
  type Menu,
} from '@hum-lever/core';
import { Button } from '@mantine/core';
import { edit, useDocument } from '../../../client/index.ts';
import { Choice, Prose } from '../../../shared/index.ts';
import { VariableSlot } from '../../../slots/index.ts';
import { Stop } from './Stop.tsx';
import classes from './Menus.module.css';

const parts: readonly { value: `${Interval['perSecond']}`; label: string; digits: number }[] = [
  { value: '1', label: 'seconds', digits: 0 },
  { value: '10', label: 'tenths of a second', digits: 1 },
  { value: '100', label: 'hundredths of a second', digits: 2 },
  { value: '1000', label: 'milliseconds', digits: 3 },
];

const startOf = ({ flow }: Gadget, id: string): number => {
  const variable = flow.variables.find((one) => one.id === id);
  return variable?.kind === 'number' ? variableStart(variable) : 0;
};

/** What the four of an interval are, which one follows, and what that comes to as the gadget begins. */
export function IntervalSentence({ menu, interval }: { menu: Menu; interval: Interval }) {
  const gadget = useDocument();
  const put = (patch: Partial<Interval>) =>
    edit({ name: 'changeMenu', args: [menu.id, { interval: { ...interval, ...patch } }] });
  const slot = (term: IntervalTerm) => (
    <VariableSlot kinds={['number']} value={interval[term]} choose={(id) => put({ [term]: id })} />
  );
  const nameOf = (term: IntervalTerm) =>
    gadget.flow.variables.find(({ id }) => id === interval[term])?.name ?? '';
  return (
    <>
      <Prose
        id={`${menu.id} interval`}
        tools={
          <Button
            size="compact-xs"
            variant="default"
            onClick={() => edit({ name: 'changeMenu', args: [menu.id, { interval: null }] })}
          >
            Set each by itself
          </Button>
        }
      >
        The {slot('intervalId')}
        <Stop>,</Stop> in
        <Choice
          label="Parts of the interval"
          data={parts.map(({ value, label }) => ({ value, label }))}
          value={`${interval.perSecond}`}
          choose={(value) => put({ perSecond: Number(value) as Interval['perSecond'] })}
        />
        <Stop>,</Stop> is {slot('spanId')} over {slot('lengthId')} times {slot('rateId')}
        <Stop>,</Stop> and follows where one of these is set; where it is set itself,
        <Choice
          label="What follows where the interval is set"
          data={(['lengthId', 'spanId', 'rateId'] as const).map((value) => ({ value, label: nameOf(value) }))}
          value={interval.instead}
          choose={(instead) => put({ instead })}
        />
        follows.
      </Prose>
      <p className={classes.sums} role="status">
        {fitsInterval(gadget, interval) ? (
          <Sums gadget={gadget} interval={interval} />
        ) : (
          'Nothing follows: what is multiplied goes beyond 32 bits, or one of them goes below nothing. Narrower ranges mend that.'
        )}
      </p>
    </>
  );
}

function Sums({ gadget, interval }: { gadget: Gadget; interval: Interval }) {
  const { perSecond } = interval;
  const { digits } = parts.find(({ value }) => value === `${perSecond}`)!;
  const seconds = (size: number) => `${(size / perSecond).toFixed(digits)}\u202fs`;
  const sums = intervalSums(
    {
      spanId: startOf(gadget, interval.spanId),
      lengthId: startOf(gadget, interval.lengthId),
      rateId: startOf(gadget, interval.rateId),
    },
    perSecond,
  );
  const begins = startOf(gadget, interval.intervalId);
  return (
    <>
      As it begins: <span className="number">{sums.pictures}</span> pictures, one every{' '}
      <span className="number">{seconds(sums.interval)}</span>,{' '}
      {sums.missed === 0 ? (
        'which comes out even.'
      ) : (
        <>
          rounded to the nearest: all of it takes{' '}
          <span className="number">{seconds(Math.abs(sums.missed))}</span> {sums.missed > 0 ? 'more' : 'less'}{' '}
          than it should.
        </>
      )}
      {begins !== sums.interval && (
        <>
          {' '}
          It begins with <span className="number">{seconds(begins)}</span> until one of them is set.
        </>
      )}{' '}
      On the display, = stands before the value that follows.
    </>
  );
}
