import { Button } from '@mantine/core';
import { IconPlayerPlay } from '@tabler/icons-react';
import { isHistory, type Gadget, type Question } from '@hum-lever/core';
import { useState } from 'react';
import { useDocument } from '../../../client/index.ts';
import { Choice, NumberField } from '../../../shared/index.ts';
import { player, type ToldAnswer } from '../../../workers/index.ts';
import { ExpressionSlot, NamedSlot } from '../slots.tsx';
import { KeepScript } from './KeepScript.tsx';
import { stepWords } from './stepWords.ts';
import classes from './Ask.module.css';

const kinds = [
  { value: 'ever', label: 'Can it ever be that' },
  { value: 'never', label: 'Is it never so that' },
  { value: 'within', label: 'Does it stay in range:' },
  { value: 'home', label: 'Can one always get home to' },
  { value: 'follows', label: 'Is this always followed:' },
] as const;
type Kind = Question['kind'];

/** Each kind as it starts out, with what the gadget has. */
function fresh(kind: Kind, { flow }: Gadget): Question | null {
  const states = flow.states.filter((state) => !isHistory(state));
  const [first, other] = [states[0], states.at(-1)];
  if (!first || !other) return null;
  switch (kind) {
    case 'ever':
      return { kind, what: `in(${other.id})` };
    case 'never':
      return { kind, what: states.length > 1 ? `in(${first.id}) && in(${other.id})` : `in(${first.id})` };
    case 'within': {
      const variable = flow.variables.find((one) => one.kind === 'number');
      return variable?.kind === 'number'
        ? { kind, variableId: variable.id, low: variable.min, high: variable.max }
        : null;
    }
    case 'home':
      return { kind, stateId: flow.initialId ?? first.id, presses: 3 };
    case 'follows':
      return { kind, first: `in(${first.id})`, then: `in(${other.id})` };
  }
}

/** A question as a sentence with slots, and its answer with what shows it. */
export function QuestionForm({
  ask,
  ready,
  cut,
}: {
  ask: (question: Question) => Promise<ToldAnswer | null>;
  ready: boolean;
  cut: boolean;
}) {
  const gadget = useDocument();
  const [question, setQuestion] = useState<Question | null>(() => fresh('home', gadget));
  const [answered, setAnswered] = useState<{ question: Question; answer: ToldAnswer } | null>(null);
  const [failure, setFailure] = useState<string | null>(null);
  if (!question) return null;
  const put = (next: Question) => {
    setQuestion(next);
    setAnswered(null);
    setFailure(null);
    return null;
  };
  const run = () => {
    setFailure(null);
    ask(question)
      .then((answer) => setAnswered(answer && { question, answer }))
      .catch((error: Error) => setFailure(error.message));
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
        <Slots question={question} put={put} />
        <Button size="compact-sm" onClick={run} disabled={!ready}>
          Ask
        </Button>
      </div>
      {failure !== null && <p role="alert">{failure}</p>}
      {answered && <Told {...answered} cut={cut} />}
    </section>
  );
}

function Slots({ question, put }: { question: Question; put: (question: Question) => null }) {
  const { flow } = useDocument();
  switch (question.kind) {
    case 'ever':
    case 'never':
      return (
        <ExpressionSlot
          label="A condition, such as in(Ready) && heat > 3"
          value={question.what}
          commit={(what) => put({ ...question, what })}
        />
      );
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
            commit={(first) => put({ ...question, first })}
          />
          by
          <ExpressionSlot
            label="Then that"
            value={question.then}
            commit={(then) => put({ ...question, then })}
          />
        </>
      );
  }
}

/** Whether a way is shown because it is wanted, or because it should not be. */
function verdictWords({ question, answer }: { question: Question; answer: ToldAnswer }): string {
  const { verdict, presses } = answer;
  if (verdict === 'unknown') return 'Nothing was found either way, and not everything was looked at.';
  switch (question.kind) {
    case 'ever':
      return verdict === 'yes' ? 'Yes, it can. This is the shortest way:' : 'No, never.';
    case 'never':
      return verdict === 'yes' ? 'Yes, it never is.' : 'No: it can be. This is the shortest way:';
    case 'within':
      return verdict === 'yes' ? 'Yes, always.' : 'No: this takes it outside:';
    case 'home':
      if (verdict === 'yes') return `Yes: ${presses} at most, from wherever one is.`;
      return presses === null
        ? 'No: from here there is no way home at all:'
        : `No: from here it takes ${presses}:`;
    case 'follows':
      return verdict === 'yes' ? 'Yes, whatever is done or not done.' : 'No: this way it never comes:';
  }
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
          {path.map((step, at) => (
            <li key={at} data-loop={(loopFrom !== undefined && at >= loopFrom) || undefined}>
              {stepWords(gadget, step)}
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
          <KeepScript script={script} name={verdictName(question)} />
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

const verdictName = ({ kind }: Question): string =>
  ({
    ever: 'How it can be',
    never: 'How it comes to be',
    within: 'Out of range',
    home: 'No way home',
    follows: 'Never followed',
  })[kind];
