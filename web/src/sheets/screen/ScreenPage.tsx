import { Button, SegmentedControl } from '@mantine/core';
import { IconPlus } from '@tabler/icons-react';
import {
  addPartEdit,
  bitmapPbm,
  bitmapPng,
  displayBus,
  displayCells,
  drawnBitmap,
  nextId,
  shownInks,
  stockOf,
  type DisplayShown,
  type Page,
  type Place,
  type Drawn,
  type Screen,
  type TextDisplay,
} from '@hum-lever/core';
import { Suspense, useEffect, useMemo, useState, type ReactNode } from 'react';
import { useSearchParams } from 'react-router';
import { edit, useDocument } from '../../client/index.ts';
import { OutputFigures } from '../../outputs/figures.tsx';
import { pagesOf } from '../../outputs/screen/pages.ts';
import { Choice, FirstStep, onDemand, saveFile, SheetFrame, useFound } from '../../shared/index.ts';
import { Cost } from './Cost.tsx';
import { DrawingBoard } from './Drawing.tsx';
import { InCharacters } from './InCharacters.tsx';
import { InLights } from './InLights.tsx';
import { Elements } from './Elements.tsx';
import { together } from './groups.ts';
import { momentsOf, PageList } from './PageList.tsx';
import { StateByState } from './StateByState.tsx';
import { Ways } from './Ways.tsx';
import { tryings, useTried, type TryingId } from './useTried.ts';
import { useStates } from '../../workers/index.ts';
import classes from './Screen.module.css';

const viewIds = ['pages', 'menus', 'pictures', 'fonts', 'lights'] as const;
type View = (typeof viewIds)[number];
const viewWords: Record<View, { label: string; about: string }> = {
  pages: { label: 'Pages', about: 'What displays show, pixel by pixel and page by page.' },
  menus: {
    label: 'Menus',
    about: 'What is set and done through menus, and how many presses that takes.',
  },
  pictures: { label: 'Pictures', about: 'Signs and figures, drawn pixel by pixel, that pages show.' },
  fonts: { label: 'Fonts', about: 'What letters look like, and what they take of the chip.' },
  lights: { label: 'Light codes', about: 'What every light tells, state by state, and to whose eyes.' },
};
/** Where what was gone to is seen. */
const viewOf: Partial<Record<Place['kind'], View>> = {
  page: 'pages',
  menu: 'menus',
  picture: 'pictures',
  font: 'fonts',
};

const MenusView = onDemand(() =>
  import('./menus/index.ts').then(({ MenusView: view }) => ({ default: view })),
);
const PicturesView = onDemand(() =>
  import('./pictures/index.ts').then(({ PicturesView: view }) => ({ default: view })),
);

const FontsView = onDemand(() =>
  import('./fonts/index.ts').then(({ FontsView: view }) => ({ default: view })),
);
const LightCodesView = onDemand(() =>
  import('./lights/index.ts').then(({ LightCodesView: view }) => ({ default: view })),
);
/** Besides pages, which have tools of their own. */
const others = { menus: MenusView, pictures: PicturesView, fonts: FontsView, lights: LightCodesView };
const paramsOf = (view: View) => (view === 'pages' ? {} : { view });

/** What displays show, the menus that are worked on them, and the pictures that pages are made of. */
export function ScreenPage() {
  const [params, setParams] = useSearchParams();
  const found = useFound(({ place }) => place?.kind);
  const asked = viewIds.find((id) => id === params.get('view')) ?? 'pages';
  // What was gone to is shown, and stays.
  const view = (found && viewOf[found]) ?? asked;
  useEffect(() => {
    if (view !== asked) setParams(paramsOf(view), { replace: true });
  }, [view, asked, setParams]);
  const views = (
    <SegmentedControl
      size="xs"
      aria-label="View"
      data={viewIds.map((value) => ({ value, label: viewWords[value].label }))}
      value={view}
      onChange={(id) => setParams(paramsOf(id as View), { replace: true })}
    />
  );
  if (view === 'pages') return <PagesView views={views} />;
  const Other = others[view];
  return (
    <SheetFrame title="Screen" about={viewWords[view].about} tools={views}>
      <Suspense fallback={<p role="status">Drawing…</p>}>
        <Other />
      </Suspense>
    </SheetFrame>
  );
}

/** Displays of pixels and their pages. */
function PagesView({ views }: { views: ReactNode }) {
  const gadget = useDocument();
  const displays = gadget.outputs.filter(
    (output) => output.kind === 'screen' || output.kind === 'text' || output.kind === 'lights',
  );
  const [params, setParams] = useSearchParams();
  const found = useFound(({ place }) => place);
  const foundDisplay = found?.kind === 'output' ? found.id : undefined;
  const foundPage = gadget.pages.find(({ id }) => found?.kind === 'page' && found.id === id);
  const askedPage = foundPage ?? gadget.pages.find(({ id }) => id === params.get('page'));
  const display =
    displays.find(({ id }) => id === (askedPage?.outputId ?? foundDisplay ?? params.get('display'))) ??
    displays.find(({ kind }) => kind === 'screen') ??
    displays[0];
  const paged = display && display.kind !== 'lights' ? display : null;
  const states = useStates(display ? gadget : null);
  const moments = states.shown?.displays.filter(({ outputId }) => outputId === display?.id) ?? none;
  const missing = states.shown?.codes.missing.map(({ name }) => name) ?? [];
  const pages = paged ? pagesOf(gadget, paged.id) : [];
  const page = pages.find(({ id }) => id === askedPage?.id) ?? pages[0];
  const choose = (id: string) => setParams({ page: id }, { replace: true });
  // What was gone to stays chosen.
  useEffect(() => {
    if (foundPage) setParams({ page: foundPage.id }, { replace: true });
  }, [foundPage, setParams]);
  if (!display)
    return (
      <SheetFrame title="Screen" about={viewWords.pages.about} tools={views}>
        <FirstStep
          action={
            <Button onClick={() => edit(addPartEdit(gadget, 'graphic-display-two-wire'))}>
              Add a display of 128 × 64 pixels
            </Button>
          }
        >
          A display of pixels shows pages: texts, numbers, bars, boxes and lines with the values of the
          gadget, drawn anew whenever those change. Parts has displays of other sizes and buses.
        </FirstStep>
      </SheetFrame>
    );
  const addPage = () => {
    if (!paged) return;
    const id = nextId(gadget, 'page');
    if (edit({ name: 'addPage', args: [paged.id, `Page ${pages.length + 1}`] }) === null) choose(id);
  };
  const tools = (
    <>
      {views}
      {displays.length > 1 && (
        <SegmentedControl
          size="xs"
          aria-label="Display"
          data={displays.map(({ id, name }) => ({ value: id, label: name }))}
          value={display.id}
          onChange={(id) => setParams({ display: id }, { replace: true })}
        />
      )}
      {paged && (
        <Button size="xs" leftSection={<IconPlus size={15} />} onClick={addPage}>
          Add a page
        </Button>
      )}
    </>
  );
  const workplace = paged && page && (
    <Workplace screen={paged} pages={pages} page={page} moments={moments} choose={choose} />
  );
  if (display.kind !== 'screen')
    return (
      <SheetFrame title="Screen" about={viewWords.pages.about} tools={tools}>
        {workplace}
        {display.kind === 'text' ? (
          <InCharacters display={display} large={!workplace} />
        ) : (
          <InLights display={display} />
        )}
        {display.kind === 'text' && displayCells(gadget, display.id) && <Ways screen={display} />}
        <StateByState display={display} moments={moments} missing={missing} share={states.share} />
      </SheetFrame>
    );
  return (
    <SheetFrame title="Screen" about={viewWords.pages.about} tools={tools}>
      {workplace ?? (
        <FirstStep>
          {display.name} has no page yet: it shows what rules write on it in characters. Add a page, and draw
          on it.
        </FirstStep>
      )}
      <div className={classes.below}>
        {!page && <Cost gadget={gadget} screen={display} />}
        {displayBus(gadget, display.id) && <Ways screen={display} />}
        <StateByState display={display} moments={moments} missing={missing} share={states.share} />
        <div className={classes.figures}>
          <OutputFigures output={display} />
        </div>
      </div>
    </SheetFrame>
  );
}

/** A page as a picture of its own. */
function Saved({ screen, page, drawn }: { screen: Screen; page: Page; drawn: Drawn }) {
  const gadget = useDocument();
  const inMono = screen.depth === 'mono';
  const save = () => {
    const bitmap = drawnBitmap(screen, drawn, stockOf(gadget));
    if (inMono) saveFile(`${page.name}.pbm`, 'image/x-portable-bitmap', bitmapPbm(bitmap));
    else saveFile(`${page.name}.png`, 'image/png', Uint8Array.from(bitmapPng(bitmap, shownInks(screen))));
  };
  return (
    <Button size="compact-xs" variant="subtle" onClick={save}>
      {inMono ? 'Save as PBM' : 'Save as PNG'}
    </Button>
  );
}

const none: readonly DisplayShown[] = [];
const nameOf = ({ names }: DisplayShown): string => names[0]!;
const momentNamed = (moments: readonly DisplayShown[], name: unknown): DisplayShown | undefined =>
  moments.find((moment) => nameOf(moment) === name);

function Workplace({
  screen,
  pages,
  page,
  moments,
  choose,
}: {
  screen: Screen | TextDisplay;
  pages: readonly Page[];
  page: Page;
  moments: readonly DisplayShown[];
  choose: (id: string) => void;
}) {
  const gadget = useDocument();
  const [asked, setTrying] = useState<TryingId | string>('hand');
  // Of a moment its states are kept: an edit may have made another of it, or taken it away.
  const seen = momentsOf(moments, page);
  const trying = tryings.find(({ value }) => value === asked)?.value ?? momentNamed(seen, asked) ?? 'hand';
  const [marked, mark] = useState<{ pageId: string; at: readonly number[] }>({ pageId: page.id, at: [] });
  const chosen = useMemo(
    () => (marked.pageId === page.id ? marked.at.filter((at) => at in page.elements) : []),
    [marked, page],
  );
  const tried = useTried(page, trying);
  const first = useTried(page, 'start');
  const chooseElement = (at: number | null, more = false) => {
    // One more, or one less where it was chosen already; what belongs together comes and goes together.
    const all = at === null ? [] : together(page.elements, at);
    const others = more ? chosen.filter((one) => !all.includes(one)) : [];
    const again = more && at !== null && chosen.includes(at);
    mark({ pageId: page.id, at: again ? others : [...others, ...all] });
  };
  return (
    <div className={classes.place}>
      <PageList screen={screen} pages={pages} moments={moments} chosen={page.id} choose={choose} />
      <div className={classes.work}>
        <div className={classes.values}>
          <span id="screen-values">Values</span>
          <SegmentedControl
            size="xs"
            aria-labelledby="screen-values"
            data={tryings.map(({ value, label }) => ({ value, label }))}
            value={typeof trying === 'string' ? trying : ''}
            onChange={setTrying}
          />
          {seen.length > 0 && (
            <Choice
              label="Values as in"
              data={[
                { value: '', label: 'as in …' },
                ...seen.map((moment) => ({ value: nameOf(moment), label: nameOf(moment) })),
              ]}
              value={typeof trying === 'object' ? nameOf(trying) : ''}
              choose={(name) => setTrying(name === '' ? 'hand' : name)}
            />
          )}
          {screen.kind === 'screen' && <Saved screen={screen} page={page} drawn={tried.drawn} />}
        </div>
        <DrawingBoard screen={screen} page={page} tried={tried} chosen={chosen} choose={chooseElement} />
        {screen.kind === 'screen' && (
          <Cost gadget={gadget} screen={screen} between={[first.drawn, tried.drawn]} />
        )}
        <Elements
          screen={screen}
          page={page}
          tried={tried}
          chosen={chosen}
          choose={chooseElement}
          chooseAll={(at) => mark({ pageId: page.id, at })}
        />
      </div>
    </div>
  );
}
