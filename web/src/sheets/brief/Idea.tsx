import { ActionIcon, Button, Text } from '@mantine/core';
import { Dropzone } from '@mantine/dropzone';
import { IconPhoto, IconTrash } from '@tabler/icons-react';
import { limits, pictureTypes, type Photo } from '@hum-lever/core';
import { useRef, useState } from 'react';
import { addPicture, edit, pictureUrl, useDocument } from '../../client/index.ts';
import { ProseField } from '../../shared/index.ts';
import classes from './Brief.module.css';
import { takeWord } from './takeWord.ts';

/** The idea as text, words taken out of it, and a picture of the drawing beside it. */
export function Idea() {
  const { brief } = useDocument();
  const field = useRef<HTMLTextAreaElement>(null);
  const [said, setSaid] = useState<string | null>(null);
  const take = () => {
    const at = field.current;
    if (!at) return;
    setSaid(takeWord(brief.words, at.value.slice(at.selectionStart, at.selectionEnd)));
  };
  return (
    <div className={classes.idea}>
      <div className={classes.text}>
        <ProseField
          ref={field}
          label="Idea"
          description="In your own words: who uses it, where, and what for. Select a word and take it down to the wall."
          value={brief.purpose}
          commit={(purpose) => edit({ name: 'setPurpose', args: [purpose] })}
          onKeyDown={(event) => {
            if (!(event.altKey && event.code === 'KeyW')) return;
            event.preventDefault();
            take();
          }}
        />
        <div className={classes.line}>
          {/* Pressed with the mouse, it must not take the selection away. */}
          <Button
            size="compact-sm"
            variant="default"
            onMouseDown={(event) => event.preventDefault()}
            onClick={take}
          >
            Take the selected words (Alt W)
          </Button>
          <Text size="sm" c="dimmed" role="status">
            {said}
          </Text>
        </div>
      </div>
      <Drawing picture={brief.picture} />
    </div>
  );
}

/** The drawing on paper, photographed: dropped, chosen or pasted in. */
function Drawing({ picture }: { picture: Photo | null }) {
  const [error, setError] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const keep = async (file: File | undefined) => {
    if (!file) return;
    setBusy(true);
    setError(null);
    try {
      const { sha256, type } = await addPicture(file);
      setError(
        edit({
          name: 'setPicture',
          args: [{ sha256, type, name: file.name.slice(0, 80).trim() || 'drawing' }],
        }),
      );
    } catch (reason) {
      setError((reason as Error).message);
    }
    setBusy(false);
  };
  if (picture)
    return (
      <figure className={classes.drawing}>
        <img src={pictureUrl(picture.sha256)} alt={`Drawing: ${picture.name}`} />
        <figcaption>
          {picture.name}
          <ActionIcon
            variant="subtle"
            aria-label="Remove the drawing"
            onClick={() => edit({ name: 'setPicture', args: [null] })}
          >
            <IconTrash size={18} stroke={1.7} />
          </ActionIcon>
        </figcaption>
      </figure>
    );
  return (
    <div className={classes.drawing}>
      <Dropzone
        className={classes.drop!}
        classNames={{ inner: classes.dropInner! }}
        loading={busy}
        multiple={false}
        maxSize={limits.pictureBytes}
        accept={[...pictureTypes]}
        onDrop={(files) => void keep(files[0])}
        onReject={([rejected]) =>
          setError(
            `Expected a picture as PNG, JPEG or WebP of at most ${limits.pictureBytes / 1_048_576} MB, got ${rejected?.file.name ?? 'something else'}.`,
          )
        }
        inputProps={{ 'aria-label': 'Picture of the drawing' }}
        aria-label="Add a picture of the drawing"
      >
        <IconPhoto size={26} stroke={1.5} aria-hidden />
        <span>Drop a picture of the drawing here, or click to choose one</span>
      </Dropzone>
      {error !== null && (
        <p className={classes.error} role="alert">
          {error}
        </p>
      )}
    </div>
  );
}
