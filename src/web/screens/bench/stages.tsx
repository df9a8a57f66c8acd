import { ArticleStage } from './article-stage.tsx';
import { FeatureStage } from './feature-stage.tsx';
import { GuardStage, KeeperStage } from './fitting-stages.tsx';
import { HookStage } from './hook-stage.tsx';
import { HeadStage } from './head-stage.tsx';
import type { StagesProps } from './stage-kit.ts';

/** The stages of the specification, in the order of work: head, weight, hook and eye, keeper, guard. */
export function Stages(props: StagesProps) {
  return (
    <div className="stages">
      <HeadStage {...props} />
      <FeatureStage {...props} />
      <HookStage {...props} />
      <KeeperStage {...props} />
      <GuardStage {...props} />
      <ArticleStage design={props.design} edit={props.edit} />
      <details className="stage">
        <summary>Notes</summary>
        <textarea
          aria-label="Notes"
          rows={4}
          maxLength={8000}
          value={props.design.notes ?? ''}
          onChange={(event) => {
            const notes = event.currentTarget.value;
            props.edit((now) => ({ ...now, notes }));
          }}
        />
      </details>
    </div>
  );
}
