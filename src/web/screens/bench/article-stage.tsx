import { messageOf } from '../../../core/kind/index.ts';
import { fixed, localised } from '../../data/locale.ts';
import { memo, useId, useRef, useState } from 'react';
import type { Design } from '../../../core/document/index.ts';
import { eanProblem } from '../../../core/document/index.ts';
import { create } from '../../data/api.ts';
import { useUnits } from '../../data/units.ts';
import { FieldSaid } from '../../parts/field-said.tsx';
import { pictureKept } from './picture.ts';
import type { Edit } from './stage-kit.ts';
import { withArticle } from './with-article.ts';
import { TypedField } from './typed-field.tsx';

interface Props {
  readonly design: Design;
  readonly edit: Edit;
}

/** How the head is bought, kept and sold: its numbers, price, pack, supplier, stock and photograph. */
export const ArticleStage = memo(
  function ArticleStage({ design, edit }: Props) {
    const { article } = design;
    const put = (change: Parameters<typeof withArticle>[1]) => edit((now) => withArticle(now, change));
    return (
      <details className="stage">
        <summary>Article</summary>
        <TypedField
          label="Article number"
          value={article?.number ?? ''}
          maxLength={40}
          onCommit={(number) => put({ number })}
        />
        <TypedField
          label="EAN"
          value={article?.ean ?? ''}
          maxLength={20}
          inputMode="numeric"
          tidied={(text) => text.replace(/[\s-]/g, '')}
          wrong={(text) => (text === '' ? undefined : eanProblem(text))}
          onCommit={(ean) => put({ ean })}
        />
        <NumberField
          label="Price of a pack"
          kind="money"
          value={article?.price}
          most={1e6}
          onCommit={(price) => put({ price })}
        />
        <NumberField
          label="Heads in a pack"
          value={article?.pack}
          least={1}
          most={10_000}
          onCommit={(pack) => put({ pack })}
        />
        <NumberField
          label="Packs in stock"
          value={article?.stock}
          most={1e6}
          onCommit={(stock) => put({ stock })}
        />
        <TypedField
          label="Supplier"
          value={article?.supplier ?? ''}
          maxLength={120}
          onCommit={(supplier) => put({ supplier })}
        />
        <ProductPhoto id={article?.photo} onPhoto={(photo) => put({ photo })} />
      </details>
    );
  },
  (a, b) => a.edit === b.edit && a.design.article === b.design.article,
);

/** A number that may be left empty: money with hundredths, or a whole count. */
function NumberField({
  label,
  kind = 'count',
  value,
  least = 0,
  most,
  onCommit,
}: {
  readonly label: string;
  readonly kind?: 'money' | 'count';
  readonly value: number | undefined;
  readonly least?: number;
  readonly most: number;
  readonly onCommit: (value: number | undefined) => void;
}) {
  const { read: readTyped } = useUnits();
  const read = (text: string) => readTyped(text, kind);
  const wrong = (text: string) => {
    if (text === '') return undefined;
    const parsed = read(text);
    if (!parsed.ok) return parsed.message;
    const isRight =
      parsed.value >= least && parsed.value <= most && (kind === 'money' || Number.isInteger(parsed.value));
    return isRight
      ? undefined
      : `Enter ${kind === 'money' ? 'a price' : 'a whole number'} from ${least} to ` +
          `${most.toLocaleString()}, or nothing.`;
  };
  return (
    <TypedField
      label={label}
      value={value === undefined ? '' : kind === 'money' ? fixed(value, 2) : localised(String(value))}
      maxLength={16}
      inputMode={kind === 'money' ? 'decimal' : 'numeric'}
      wrong={wrong}
      onCommit={(text) => {
        const parsed = read(text);
        onCommit(text !== '' && parsed.ok ? parsed.value : undefined);
      }}
    />
  );
}

/** The photograph that goes with the article. */
function ProductPhoto({
  id,
  onPhoto,
}: {
  readonly id: string | undefined;
  readonly onPhoto: (id: string | undefined) => void;
}) {
  const input = useRef<HTMLInputElement>(null);
  const field = useId();
  const [said, setSaid] = useState('');
  const take = async (file: File) => {
    try {
      onPhoto((await create('photos', await pictureKept(file))).id);
      setSaid('');
    } catch (error) {
      setSaid(messageOf(error));
    }
  };
  return (
    <div className="article-photo">
      {id !== undefined && <img src={`/api/photos/${id}/picture`} alt="Product photograph" />}
      <span>
        <button type="button" className="btn btn-sm btn-quiet" onClick={() => input.current?.click()}>
          {id === undefined ? 'Add a photograph' : 'Replace the photograph'}
        </button>
        {id !== undefined && (
          <button type="button" className="btn btn-sm btn-quiet" onClick={() => onPhoto(undefined)}>
            Remove
          </button>
        )}
      </span>
      <input
        ref={input}
        id={field}
        type="file"
        hidden
        aria-label="Product photograph"
        accept="image/*"
        onChange={(event) => {
          const [file] = event.currentTarget.files ?? [];
          if (file) void take(file);
          event.currentTarget.value = '';
        }}
      />
      <FieldSaid id={field} text={said} />
    </div>
  );
}
