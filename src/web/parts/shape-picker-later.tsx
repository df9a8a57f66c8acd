import { lazy, Suspense } from 'react';
import type { ShapePickerProps } from './shape-picker.tsx';

const Picker = lazy(async () => ({ default: (await import('./shape-picker.tsx')).ShapePicker }));

/** The picker of shapes, loaded when it is first opened: it draws every family. */
export function ShapePicker(props: ShapePickerProps) {
  return props.show ? (
    <Suspense fallback={null}>
      <Picker {...props} />
    </Suspense>
  ) : null;
}
