import { Button, Progress } from '@mantine/core';
import { IconPlayerPlay } from '@tabler/icons-react';
import {
  controlsOf,
  isHistory,
  mostPressesTried,
  showExpression,
  type Expectation,
  type Gadget,
  type Guessed,
  type Question,
} from '@hum-lever/core';
import { useEffect, useRef, useState } from 'react';
import { useDocument } from '../../../client/index.ts';
import { Choice, count, NumberField, showDuration, type Typed } from '../../../shared/index.ts';
import { KeepWay } from '../../../keeping/index.ts';
import { player, type ToldAnswer } from '../../../workers/index.ts';
import { ExpressionSlot, NamedSlot } from '../../../slots/index.ts';
import { repeated, stepWords } from './stepWords.ts';
import classes from './Ask.module.css';

const kinds = [
  { value: 'ever', label: 'Can it ever be that' },
  { value: 'never', label: 'Is it never so that' },
  { value: 'without', label: 'Can it be, without this, that' },
  { value: 'within', label: 'Does it stay in range:' },
  { value: 'home', label: 'Can one always get home to' },
  { value: 'follows', label: 'Is this always followed:' },
  { value: 'ways', label: 'In how many ways can it be that' },
] as const;
type Kind = Question['kind'];

/** Each kind as it starts out, with what the gadget has. */
function fresh(kind: Kind, gadget: Gadget): Question | null {
  const { flow } = gadget;
  const states = flow.states.filter((state) => !isHistory(state));
  const [first, other] = [states[0], states.at(-1)];
  if (!first || !other) return null;
  const last = `in(${other.id})`;
  switch (kind) {
    case 'ever':
      return { kind, what: last };
    case 'never':
      return { kind, what: states.length > 1 ? `in(${first.id}) && ${last}` : `in(${first.id})` };
    case 'without':
      return { kind, what: last, pass: `in(${(states[1] ?? first).id})`, holdId: null };
    case 'within': {
      const variable = flow.variables.find((one) => one.kind === 'number');
      return variable?.kind === 'number'
        ? { kind, variableId: variable.id, low: variable.min, high: variable.max }
        : null;
    }
    case 'home':
      return { kind, stateId: flow.initialId ?? first.id, presses: 3 };
    case 'follows':
      return { kind, first: `in(${first.id})`, then: last };
    case 'ways':
      return { kind, what: last, controlIds: controlsOf(gadget, 'button').map(({ id }) => id), presses: 4 };
  }
}

/** A question as a sentence with slots, and its answer with what shows it. */
export function QuestionForm({
  ask,
  tried,
  stop,
  ready,
  cut,
}: {
  ask: (question: Question) => Promise<ToldAnswer | null>;
  /** How far its ways have been tried, 0 to 1; null: none are. */
  tried: number | null;
  stop: () => void;
  ready: boolean;
  cut: boolean;
}) {
  const gadget = useDocument();
  const [question, setQuestion] = useState<Question | null>(() => fresh('home', gadget));
  const [answered, setAnswered] = useState<{ question: Question; answer: ToldAnswer } | null>(null);
  const [failure, setFailure] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  /** Slots that hold what cannot be read: the question is not what stands there. */
  const refused = useRef(new Set<string>());
  // The place for it is small: what was asked for is brought into view.
  const below = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (answered || failure !== null) below.current?.scrollIntoView({ block: 'nearest' });
  }, [answered, failure]);
  if (!question) return null;
  const forget = () => {
    setAnswered(null);
    setFailure(null);
  };
  const put = (next: Question) => {
    if (next.kind !== question.kind) refused.current.clear();
    setQuestion(next);
    forget();
    return null;
  };
  const tell = (slot: string) => (typed: Typed) => {
    if (typed === 'refused') refused.current.add(slot);
    else refused.current.delete(slot);
    // No answer without its question.
    if (typed !== 'taken') forget();
  };
  const run = () => {
    forget();
    if (refused.current.size > 0) {
      setFailure('The question cannot be read yet. Mend what is marked in it, or bring it back with Escape.');
      return;
    }
    setBusy(true);
    ask(question)
      .then((answer) => setAnswered(answer && { question, answer }))
      .catch((error: Error) => setFailure(error.message))
      .finally(() => setBusy(false));
  };
  return (
    <section className={`card ${classes.card}`} aria-label="A question">
      <h2>A question</h2>
      <div className={classes.sentence}>
        <Choice
          label="What is asked"
          data={[...kinds]}
          value={question.kind}
          choose={(kind) => put(fresh(kind, gadget) ?? question)}
        />
        <Slots key={question.kind} question={question} put={put} tell={tell} />
        <Button size="compact-sm" onClick={run} disabled={!ready || busy}>
          Ask
        </Button>
      </div>
      {tried !== null && (
        <div className={classes.bar}>
          <Progress
            value={100 * tried}
            aria-label="Ways tried, of those that will be"
            color="var(--stage-state)"
            className={classes.progress}
          />
          <Button size="compact-sm" variant="default" onClick={stop}>
            Enough
          </Button>
        </div>
      )}
      <div ref={below}>
        {failure !== null && <p role="alert">{failure}</p>}
        {answered && <Told {...answered} cut={cut} />}
      </div>
    </section>
  );
}

interface SlotsProps<Q extends Question> {
  question: Q;
  put: (question: Question) => null;
  tell: (slot: string) => (typed: Typed) => void;
}

function Slots({ question, put, tell }: SlotsProps<Question>) {
  const gadget = useDocument();
  const { flow } = gadget;
  switch (question.kind) {
    case 'ever':
    case 'never':
      return (
        <ExpressionSlot
          label="A condition, such as in(Ready) && heat > 3"
          value={question.what}
          tell={tell('what')}
          commit={(what) => put({ ...question, what })}
        />
      );
    case 'without':
      return <WithoutSlots question={question} put={put} tell={tell} />;
    case 'ways':
      return <WaysSlots question={question} put={put} tell={tell} />;
    case 'within':
      return (
        <>
          <NamedSlot
            label="Variable"
            among={flow.variables.filter(({ kind }) => kind === 'number' || kind === 'list')}
            value={question.variableId}
            choose={(variableId) => put({ ...question, variableId })}
          />
          from
          <NumberField
            label=""
            aria-label="At least"
            width={90}
            value={question.low}
            commit={(low) => put({ ...question, low })}
          />
          to
          <NumberField
            label=""
            aria-label="At most"
            width={90}
            value={question.high}
            commit={(high) => put({ ...question, high })}
          />
        </>
      );
    case 'home':
      return (
        <>
          <NamedSlot
            label="State"
            among={flow.states.filter((state) => !isHistory(state))}
            value={question.stateId}
            choose={(stateId) => put({ ...question, stateId })}
          />
          within
          <NumberField
            label=""
            aria-label="Presses"
            unit="presses"
            width={112}
            min={0}
            value={question.presses}
            commit={(presses) => put({ ...question, presses })}
          />
        </>
      );
    case 'follows':
      return (
        <>
          <ExpressionSlot
            label="First this"
            value={question.first}
            tell={tell('first')}
            commit={(first) => put({ ...question, first })}
          />
          by
          <ExpressionSlot
            label="Then that"
            value={question.then}
            tell={tell('then')}
            commit={(then) => put({ ...question, then })}
          />
        </>
      );
  }
}

type As<K extends Kind> = Extract<Question, { kind: K }>;

function WithoutSlots({ question, put, tell }: SlotsProps<As<'without'>>) {
  const gadget = useDocument();
  const buttons = controlsOf(gadget, 'button');
  const pass = question.pass !== null;
  return (
    <>
      <ExpressionSlot
        label="What it should come to"
        value={question.what}
        tell={tell('what')}
        commit={(what) => put({ ...question, what })}
      />
      without ever
      <Choice
        label="What is to be avoided"
        data={[
          { value: 'pass', label: 'passing' },
          ...(buttons.length > 0 ? [{ value: 'hold', label: 'holding' }] : []),
        ]}
        value={pass ? 'pass' : 'hold'}
        choose={(chosen) => {
          tell('pass')('taken');
          put(
            chosen === 'pass'
              ? { ...question, pass: 'in(' + gadget.flow.states[0]!.id + ')', holdId: null }
              : { ...question, pass: null, holdId: buttons[0]!.id },
          );
        }}
      />
      {pass ? (
        <ExpressionSlot
          label="What it should not pass"
          value={question.pass!}
          tell={tell('pass')}
          commit={(text) => put({ ...question, pass: text })}
        />
      ) : (
        <NamedSlot
          label="Key that is not held"
          among={buttons}
          value={question.holdId!}
          choose={(holdId) => put({ ...question, holdId })}
        />
      )}
    </>
  );
}

function WaysSlots({ question, put, tell }: SlotsProps<As<'ways'>>) {
  const gadget = useDocument();
  const { controlIds } = question;
  return (
    <>
      <ExpressionSlot
        label="What it should come to"
        value={question.what}
        tell={tell('what')}
        commit={(what) => put({ ...question, what })}
      />
      with at most
      <NumberField
        label=""
        aria-label="Presses"
        unit="presses"
        width={112}
        min={1}
        max={mostPressesTried}
        value={question.presses}
        commit={(presses) => put({ ...question, presses })}
      />
      <fieldset className={classes.keys}>
        <legend>of</legend>
        {controlsOf(gadget, 'button').map(({ id, name }) => (
          <label key={id}>
            <input
              type="checkbox"
              checked={controlIds.includes(id)}
              onChange={(event) =>
                put({
                  ...question,
                  controlIds: event.currentTarget.checked
                    ? [...controlIds, id]
                    : controlIds.filter((one) => one !== id),
                })
              }
            />{' '}
            {name}
          </label>
        ))}
      </fieldset>
    </>
  );
}

/** Whether a way is shown because it is wanted, or because it should not be. */
function verdictWords({ question, answer }: { question: Question; answer: ToldAnswer }): string {
  const { verdict, presses } = answer;
  if (question.kind === 'ways') return waysWords(question, answer.guessed!);
  if (verdict === 'unknown') return 'Nothing was found either way, and not everything was looked at.';
  switch (question.kind) {
    case 'ever':
      return verdict === 'yes' ? 'Yes, it can. This is the shortest way:' : 'No, never.';
    case 'never':
      return verdict === 'yes' ? 'Yes, it never is.' : 'No: it can be. This is the shortest way:';
    case 'without':
      return verdict === 'yes'
        ? 'Yes, it can. This is the shortest way of that kind:'
        : 'No: there is no other way.';
    case 'within':
      return verdict === 'yes' ? 'Yes, always.' : 'No: this takes it outside:';
    case 'home':
      if (verdict === 'yes')
        return `Yes: ${count(presses!, 'press', 'presses')} at most, from wherever one is.`;
      return presses === null
        ? 'No: from here there is no way home at all:'
        : `No: from here it takes ${count(presses!, 'press', 'presses')}:`;
    case 'follows':
      return verdict === 'yes' ? 'Yes, whatever is done or not done.' : 'No: this way it never comes:';
  }
}

function waysWords({ controlIds, presses }: As<'ways'>, guessed: Guessed): string {
  const { orders, tried, ways, timeUs, waitedUs, cycles, already } = guessed;
  if (controlIds.length === 0) return 'No key was chosen.';
  if (already) return 'It is so from power-up on: nothing has to be pressed.';
  const all = tried >= orders;
  const number = (n: number) => n.toLocaleString('en');
  const found = all
    ? `${count(ways, 'way')} among ${number(orders)}: ${controlIds.length} keys, ${count(presses, 'press', 'presses')}.`
    : `${count(ways, 'way')} among the first of ${number(orders)}; not all were tried.`;
  if (tried === 0) return found;
  const wholeUs = all ? timeUs : (timeUs / tried) * orders;
  const waits =
    waitedUs > timeUs / 100 ? `, ${showDuration((waitedUs / timeUs) * wholeUs)} of it waiting` : '';
  const off = cycles > 0 ? `; it has to be switched off and on again ${count(cycles, 'time')}` : '';
  return `${found} Trying them all takes ${all ? '' : 'about '}${showDuration(wholeUs)}${waits}${off}.`;
}

function Told({ question, answer, cut }: { question: Question; answer: ToldAnswer; cut: boolean }) {
  const gadget = useDocument();
  const { path, script, loopFrom } = answer;
  return (
    <div className={classes.answer} role="status">
      <p>
        <strong>{verdictWords({ question, answer })}</strong>
        {cut && answer.verdict !== 'unknown' && path === null && ' As far as was looked.'}
      </p>
      {path && (
        <ol className={classes.path}>
          {path.length === 0 && <li>Nothing has to be done: it is so from power-up on.</li>}
          {repeated(path, loopFrom).map(({ step, at, times }) => (
            <li key={at} data-loop={(loopFrom !== undefined && at >= loopFrom) || undefined}>
              {stepWords(gadget, step)}
              {times > 1 && ` × ${times}`}
            </li>
          ))}
          {loopFrom !== undefined && (
            <li data-loop>
              {loopFrom < path.length ? '… and so on, round and round' : '… and there it stays'}
            </li>
          )}
        </ol>
      )}
      {script && (
        <div className={classes.sentence}>
          <Button
            size="compact-sm"
            leftSection={<IconPlayerPlay size={14} />}
            onClick={() => player.watch(gadget, script)}
          >
            Play it in hand
          </Button>
          <KeepWay
            way={script}
            name={keptName(gadget, question)}
            expected={expectedBy(gadget, question, answer)}
          />
          {!script.confirmed && (
            <span className={classes.how}>
              Played at real times it comes out otherwise: a timer runs out earlier or later, or chance falls
              another way.
            </span>
          )}
        </div>
      )}
    </div>
  );
}

/** What the trial is about, as the question was asked. */
function keptName(gadget: Gadget, question: Question): string {
  const shown = (text: string) => showExpression(text, gadget);
  switch (question.kind) {
    case 'ever':
      return `Comes to ${shown(question.what)}`;
    case 'never':
      return `Never ${shown(question.what)}`;
    case 'without':
      return `Comes to ${shown(question.what)} another way`;
    case 'within': {
      const name = gadget.flow.variables.find(({ id }) => id === question.variableId)?.name ?? '';
      return `${name} stays from ${question.low} to ${question.high}`;
    }
    case 'home': {
      const name = gadget.flow.states.find(({ id }) => id === question.stateId)?.name ?? '';
      return `Where it is far to ${name}`;
    }
    case 'follows':
      return `${shown(question.first)} leads to ${shown(question.then)}`;
    case 'ways':
      return '';
  }
}

/** What was asked, as a trial can expect it: what should not be so is expected not to be, and fails until it is mended. */
function expectedBy(gadget: Gadget, question: Question, { ends }: ToldAnswer): Expectation['what'][] {
  switch (question.kind) {
    case 'ever':
    case 'without':
      return [{ kind: 'condition', text: question.what, is: true }];
    case 'never':
      return [{ kind: 'condition', text: question.what, is: false }];
    case 'within': {
      const { variableId, low, high } = question;
      const { kind } = gadget.flow.variables.find(({ id }) => id === variableId)!;
      if (kind === 'list') return [];
      return [{ kind: 'condition', text: `${variableId} >= ${low} && ${variableId} <= ${high}`, is: true }];
    }
    case 'follows':
      return [{ kind: 'condition', text: question.then, is: true }];
    case 'home':
    case 'ways':
      return ends.map((stateId) => ({ kind: 'state', stateId }));
  }
}
