import { useId } from 'react';
import Dropdown from 'react-bootstrap/Dropdown';
import type { TemplateKey } from '../../../core/exchange/templates.ts';
import { keepFile } from './download.ts';

/** Makes a template when it is asked for, and hands it to the browser to keep. */
async function keepTemplate(of: TemplateKey, withExamples: boolean): Promise<void> {
  const { tableTemplate } = await import('../../../core/exchange/templates.ts');
  keepFile(`${of}-template.csv`, new Blob([tableTemplate(of, withExamples)], { type: 'text/csv' }));
}

/** Templates of a table that can be imported: its headings alone, or with examples. */
export function TemplateMenu({ of }: { readonly of: TemplateKey }) {
  const id = useId();
  return (
    <Dropdown align="end" className="d-inline-block">
      <Dropdown.Toggle size="sm" variant="quiet" id={id}>
        Template
      </Dropdown.Toggle>
      <Dropdown.Menu>
        <Dropdown.Item as="button" type="button" onClick={() => void keepTemplate(of, false)}>
          CSV, headings only
        </Dropdown.Item>
        <Dropdown.Item as="button" type="button" onClick={() => void keepTemplate(of, true)}>
          CSV, with examples
        </Dropdown.Item>
      </Dropdown.Menu>
    </Dropdown>
  );
}
