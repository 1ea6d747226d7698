import { keyPlaces } from '@hum-lever/core';
import { useDocument } from '../../client/index.ts';
import { keyPlaceWords } from '../../words/index.ts';

/** For a set of keys: where each of them goes. Nothing for any other owner. */
export function KeyPlaces({ setId }: { setId: string | null }) {
  const { wiring, controls } = useDocument();
  const set = wiring.sets.find(({ id }) => id === setId);
  if (!set) return null;
  const names = new Map(controls.map(({ id, name }) => [id, name]));
  return (
    <ul aria-label={`Where the keys of ${set.name} go`}>
      {keyPlaces(set).map((place) => (
        <li key={place.controlId}>
          {names.get(place.controlId)} <span className="soft">to</span> {keyPlaceWords(place)}
        </li>
      ))}
    </ul>
  );
}
