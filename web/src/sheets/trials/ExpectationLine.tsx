import { ActionIcon } from '@mantine/core';
import { IconCheck, IconX, IconHandStop } from '@tabler/icons-react';
import {
  variableStart,
  expectedKinds,
  isOutputWhat,
  showExpression,
  type Expectation,
  type ExpectationResult,
  type Gadget,
  type Variable,
} from '@hum-lever/core';
import { useDocument } from '../../client/index.ts';
import { Choice, CompletingField, NumberField, typedExpression } from '../../shared/index.ts';
import { expectedOf } from '../../outputs/expectations.ts';
import { OutputExpected } from '../../outputs/expectationSlots.tsx';
import { ComparisonSlot } from '../../slots/index.ts';
import { cameWords, wantedWords } from './describe.ts';
import classes from './Trials.module.css';

type What = Expectation['what'];
type Put = (expectation: Expectation) => null;

/** Everything an expectation can be about, as it starts out. */
export function subjects({ flow, outputs }: Gadget): { value: string; label: string; what: What }[] {
  return [
    ...(flow.states[0]
      ? [{ value: 'state', label: 'the state', what: { kind: 'state', stateId: flow.states[0].id } as What }]
      : []),
    ...(flow.states[0]
      ? [
          {
            value: 'condition',
            label: 'a condition',
            what: { kind: 'condition', text: `in(${flow.states[0].id})`, is: true } as What,
          },
        ]
      : []),
    ...outputs.flatMap((output) =>
      expectedKinds(output).map((kind) => {
        const { id, name } = output;
        const what = expectedOf(kind).fresh(id) as What;
        return {
          value: subjectOf(what),
          label: kind === output.kind ? name : `${name}, in characters`,
          what,
        };
      }),
    ),
    ...flow.variables.map((variable) => ({
      value: variable.id,
      label: variable.name,
      what: freshOf(variable),
    })),
  ];
}

/** A number is compared; a text stands in a condition. */
function freshOf(variable: Variable): What {
  const { id } = variable;
  if (variable.kind === 'text' || variable.kind === 'texts') {
    const [place, start] = variable.kind === 'text' ? ['', variable.initial] : ['[0]', variable.initials[0]!];
    return { kind: 'condition', text: `${id}${place} == ${JSON.stringify(start)}`, is: true };
  }
  return { kind: 'variable', variableId: id, comparison: '=', value: variableStart(variable) };
}

const subjectOf = (what: What) =>
  what.kind === 'state' || what.kind === 'condition'
    ? what.kind
    : what.kind === 'variable'
      ? what.variableId
      : `${what.outputId} ${what.kind}`;

interface ExpectationLineProps {
  number: number;
  expectation: Expectation;
  result: ExpectationResult | undefined;
  endUs: number;
  put: Put;
  remove: () => void;
}

/** One expectation as a sentence with slots, and what came. */
export function ExpectationLine({ number, expectation, result, endUs, put, remove }: ExpectationLineProps) {
  const gadget = useDocument();
  const choices = subjects(gadget);
  const subject = subjectOf(expectation.what);
  const known = choices.some(({ value }) => value === subject);
  const Verdict = result?.passed === null ? IconHandStop : result?.passed ? IconCheck : IconX;
  return (
    <li
      className={classes.expectation}
      data-passed={result?.passed ?? undefined}
      aria-label={`Expectation ${number}: ${wantedWords(gadget, expectation.what)}`}
    >
      <span className="number">{number}</span>
      <div>
        <div className={classes.clause}>
          <Choice
            label="What"
            data={[
              ...choices.map(({ value, label }) => ({ value, label })),
              ...(known ? [] : [{ value: subject, label: 'something removed' }]),
            ]}
            value={subject}
            choose={(chosen) => {
              const subjectChosen = choices.find(({ value }) => value === chosen);
              if (subjectChosen) put({ ...expectation, what: subjectChosen.what });
            }}
          />
          <WhatSlots what={expectation.what} put={(what) => put({ ...expectation, what })} />
          <WhenSlots expectation={expectation} endUs={endUs} put={put} />
          <ActionIcon
            size="sm"
            variant="subtle"
            aria-label={`Take expectation ${number} out`}
            onClick={remove}
          >
            <IconX size={15} />
          </ActionIcon>
        </div>
        {result && (
          <p className={classes.came}>
            <Verdict
              size={16}
              aria-label={result.passed === null ? 'not known' : result.passed ? 'met' : 'not met'}
            />
            {result.passed === null ? 'The run was stopped before.' : cameWords(gadget, expectation, result)}
          </p>
        )}
      </div>
    </li>
  );
}

function WhatSlots({ what, put }: { what: What; put: (what: What) => null }) {
  const gadget = useDocument();
  const { states } = gadget.flow;
  if (isOutputWhat(what)) return <OutputExpected what={what} put={put} />;
  switch (what.kind) {
    case 'state':
      return (
        <>
          is
          <Choice
            label="State"
            data={states.map(({ id, name }) => ({ value: id, label: name }))}
            value={what.stateId}
            choose={(chosen) => put({ ...what, stateId: chosen })}
          />
        </>
      );
    case 'variable':
      return (
        <>
          <ComparisonSlot value={what.comparison} choose={(comparison) => put({ ...what, comparison })} />
          <NumberField
            label=""
            aria-label="Value"
            width={104}
            value={what.value}
            commit={(value) => put({ ...what, value })}
          />
        </>
      );
    case 'condition':
      return (
        <>
          <CompletingField
            language="expression"
            gadget={gadget}
            aria-label="Condition"
            value={showExpression(what.text, gadget)}
            commit={(typed) => {
              const read = typedExpression(typed, gadget);
              return 'ok' in read ? put({ ...what, text: read.ok }) : read.refused;
            }}
          />
          <Choice
            label="Holds"
            data={holding}
            value={what.is ? 'holds' : 'fails'}
            choose={(chosen) => put({ ...what, is: chosen === 'holds' })}
          />
        </>
      );
  }
}

const holding = [
  { value: 'holds', label: 'holds' },
  { value: 'fails', label: 'does not hold' },
];

function WhenSlots({ expectation, endUs, put }: { expectation: Expectation; endUs: number; put: Put }) {
  const { when } = expectation;
  const set = (next: Expectation['when']) => put({ ...expectation, when: next });
  const fromUs = when.kind === 'at' ? when.atUs : when.fromUs;
  const seconds = (label: string, us: number, lowUs: number, commit: (us: number) => null) => (
    <NumberField
      label=""
      aria-label={label}
      unit="s"
      width={92}
      decimals={3}
      step={0.1}
      min={lowUs / 1e6}
      max={endUs / 1e6}
      value={us / 1e6}
      commit={(s) => commit(Math.round(s * 1e6))}
    />
  );
  return (
    <>
      <Choice
        label="When"
        data={[
          { value: 'at', label: 'at' },
          { value: 'within', label: 'some time from' },
        ]}
        value={when.kind}
        choose={(chosen) =>
          set(chosen === 'at' ? { kind: 'at', atUs: fromUs } : { kind: 'within', fromUs, toUs: endUs })
        }
      />
      {when.kind === 'at' ? (
        seconds('Moment', when.atUs, 0, (atUs) => set({ kind: 'at', atUs }))
      ) : (
        <>
          {seconds('From', when.fromUs, 0, (from) =>
            set({ ...when, fromUs: from, toUs: Math.max(from, when.toUs) }),
          )}
          to
          {seconds('To', when.toUs, when.fromUs, (toUs) => set({ ...when, toUs }))}
        </>
      )}
    </>
  );
}
