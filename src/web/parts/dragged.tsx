import { useSortable } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';

/**
 * One of several things that are put in order by dragging or by key: the properties of its element, and the
 * grip it is held by. Delete on the grip takes it out.
 */
export function useDragged(id: string, name: string, onRemove: () => void) {
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({ id });
  const item = {
    ref: setNodeRef,
    'data-dragging': isDragging,
    style: { transform: CSS.Translate.toString(transform), transition },
  };
  const grip = (
    <button
      type="button"
      className="grip"
      {...attributes}
      {...listeners}
      aria-label={`Move ${name}`}
      onKeyDown={(event) => {
        if (event.key === 'Delete') onRemove();
        else (listeners?.['onKeyDown'] as ((event: React.KeyboardEvent) => void) | undefined)?.(event);
      }}
    >
      ⠿
    </button>
  );
  return { item, grip };
}
