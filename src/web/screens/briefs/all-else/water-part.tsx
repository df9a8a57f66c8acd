import { BOTTOMS, COVERS, DENSITIES } from '../../../../core/document/index.ts';
import { Choice } from '../../../parts/choice.tsx';
import type { PartProps } from '../brief-parts.tsx';
import { plain, Said, without } from '../brief-parts.tsx';
import { Several } from './several.tsx';

/** Water, bottom and cover beyond the six questions. */
export function WaterPart({ part }: { readonly part: PartProps }) {
  const { brief, at, edit } = part;
  const { water, bottom, cover } = brief;
  return (
    <details className="else">
      <summary>Water, bottom and cover</summary>
      <Said
        label="Temperature"
        kind="temperature"
        range="temperature"
        path="/water/temperature"
        value={at.water.temperature}
        step={1}
        part={part}
        put={(now, temperature) => ({ ...now, water: { ...now.water, temperature } })}
        clear={without('water', 'temperature')}
      />
      <Said
        label="Current"
        kind="speed"
        range="current"
        path="/water/current"
        value={at.water.current}
        step={0.05}
        part={part}
        put={(now, current) => ({ ...now, water: { ...now.water, current } })}
        clear={without('water', 'current')}
      />
      <Said
        label="Visibility"
        kind="depth"
        range="sight"
        path="/water/sight"
        value={water.sight ?? at.water.sight}
        step={0.1}
        part={part}
        put={(now, sight) => ({ ...now, water: { ...now.water, sight } })}
        clear={without('water', 'sight')}
      />
      <Several
        label="Bottom types"
        options={BOTTOMS}
        chosen={bottom.kinds}
        least={1}
        onChange={(kinds) => edit((now) => ({ ...now, bottom: { ...now.bottom, kinds } }))}
      />
      <Said
        label="Slope"
        kind="angle"
        range="slope"
        path="/bottom/slope"
        value={at.slope}
        step={1}
        part={part}
        put={(now, slope) => ({ ...now, bottom: { ...now.bottom, slope } })}
        clear={without('bottom', 'slope')}
      />
      <Said
        label="Cracks"
        kind="size"
        range="crack"
        path="/bottom/crack"
        value={at.crack}
        step={1}
        part={part}
        put={(now, crack) => ({ ...now, bottom: { ...now.bottom, crack } })}
        clear={without('bottom', 'crack')}
      />
      <Said
        label="Stones"
        kind="size"
        range="stone"
        path="/bottom/stone"
        value={Math.max(1, at.stone)}
        step={5}
        part={part}
        put={(now, stone) => ({ ...now, bottom: { ...now.bottom, stone } })}
        clear={without('bottom', 'stone')}
      />
      <Several
        label="Cover types"
        options={COVERS}
        chosen={cover.kinds}
        least={0}
        onChange={(kinds) => edit((now) => ({ ...now, cover: { ...now.cover, kinds } }))}
      />
      <Choice
        label="Cover density"
        value={at.density}
        options={plain(DENSITIES)}
        onChange={(density) => edit((now) => ({ ...now, cover: { ...now.cover, density } }))}
      />
      <Said
        label="Stems"
        kind="size"
        range="stem"
        path="/cover/stem"
        value={at.stem}
        step={1}
        part={part}
        put={(now, stem) => ({ ...now, cover: { ...now.cover, stem } })}
        clear={without('cover', 'stem')}
      />
    </details>
  );
}
