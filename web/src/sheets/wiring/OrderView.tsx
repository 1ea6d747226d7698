import { wiringOrder, type StepCheck, type WiringStep } from '@hum-lever/core';
import { useMemo } from 'react';
import { useDocument } from '../../client/index.ts';
import { FirstStep, light, showVolts } from '../../shared/index.ts';
import { KeyPlaces } from './KeyPlaces.tsx';
import classes from './Wiring.module.css';

const titles: Record<WiringStep['stage'], (name: string) => string> = {
  supply: () => 'Supply: from the cell to the board, everything else unplugged',
  grounds: () => 'Grounds',
  rails: () => 'Supply of the parts',
  lights: (name) => `${name}: a sign of life`,
  controls: (name) => name,
  buses: (name) => name,
  rest: (name) => name,
};

const checks: Record<StepCheck['kind'], (check: StepCheck) => string> = {
  rail: (check) =>
    check.kind === 'rail'
      ? `Before going on: the meter reads ${showVolts(check.mv)} on the logic rail, and nothing is warm.`
      : '',
  joined: () => 'Before going on, with the power off: every ground beeps against every other.',
  lights: () => 'Before going on: it can be switched on and off by itself.',
  reads: () =>
    'Before going on: pressed and let go, or turned, the board reads it, and nothing else changes.',
  answers: () => 'Before going on: it answers on its line.',
  sounds: () => 'Before going on: it can be heard.',
};

const throughWords = {
  base: 'through its resistor to the base of the transistor; the emitter to ground, the load between supply and collector',
  collector: 'through the transistor: this end to the collector, the emitter to ground',
};

/** Wire it in this order, and check before going on. */
export function OrderView() {
  const gadget = useDocument();
  const steps = useMemo(() => wiringOrder(gadget), [gadget]);
  if (steps.length === 0)
    return (
      <FirstStep>
        No wire is laid yet. Once there are some, they stand here in the order in which they are best
        soldered.
      </FirstStep>
    );
  return (
    <ol className={classes.steps} onMouseLeave={() => light([])}>
      {steps.map((step, index) => (
        <li
          key={`${step.stage} ${step.ownerId}`}
          className="card"
          onMouseEnter={() => light(gadget.parts.find(({ id }) => id === step.ownerId)?.plays ?? [])}
        >
          <h2>
            <span className="number">{index + 1}</span> {titles[step.stage](step.name)}
          </h2>
          <ul>
            {step.leads.map((lead) => (
              <li key={`${lead.ownerId} ${lead.terminal}`}>
                {lead.name} {lead.terminal} <span className="soft">to</span>{' '}
                <strong className="number">{lead.to}</strong>
                {lead.through && <span className="soft"> {throughWords[lead.through]}</span>}
              </li>
            ))}
          </ul>
          <KeyPlaces setId={step.ownerId} />
          <p className={classes.check}>{checks[step.check.kind](step.check)}</p>
        </li>
      ))}
    </ol>
  );
}
