import { useState } from 'react';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import type { BackupRow, BackupsState } from '../../../contract/api.ts';
import type { BackupsEdit } from '../../../contract/requests.ts';
import { checkBackup, editBackups, makeBackup, restoreBackup } from '../../data/api.ts';
import { backupsQuery } from '../../data/queries.ts';
import { useNotices } from '../../parts/notices.tsx';
import { Failed, Loading } from '../../parts/states.tsx';
import { Heads, Sheet } from '../../parts/sheet.tsx';
import { download } from '../exchange/download.ts';
import { ageOf, dateOf, sizeOf } from './told.ts';
import './backups.css';

/** The shop's backups: made every day, checked, and restored beside what is there. */
export function Backups() {
  const { data: state, error, refetch } = useQuery(backupsQuery);
  if (error && !state) return <Failed error={error} retry={() => void refetch()} />;
  if (!state) return <Loading what="the backups" />;
  return <BackupsOf state={state} />;
}

/** Does something to the backups, shows what they then are, and says why when it cannot. */
function useAct<T>(act: (given: T) => Promise<BackupsState>) {
  const client = useQueryClient();
  const { tell } = useNotices();
  return useMutation({
    mutationFn: act,
    onSuccess: (state) => client.setQueryData(backupsQuery.queryKey, state),
    onError: (error) => {
      tell({ tone: 'bad', text: error.message });
      // Where somebody else set it meanwhile, what he set is shown.
      void client.invalidateQueries({ queryKey: backupsQuery.queryKey });
    },
  });
}

function BackupsOf({ state }: { readonly state: BackupsState }) {
  const { items, job, isOld, isDemo } = state;
  const { tell } = useNotices();
  const [restoring, setRestoring] = useState<BackupRow | undefined>(undefined);
  const make = useAct(makeBackup);
  const check = useMutation({
    mutationFn: checkBackup,
    onSuccess: ({ rows, misfits }) =>
      tell(
        misfits.length === 0
          ? { tone: 'good', text: `The backup is sound: ${rows.toLocaleString()} rows, every document fits.` }
          : {
              tone: 'bad',
              text: `${misfits.length} documents do not fit: ${misfits.slice(0, 3).join(' · ')}`,
            },
      ),
    onError: (error) => tell({ tone: 'bad', text: error.message }),
  });
  const newest = items[0];
  return (
    <div className="backups">
      <h1>Backups</h1>
      <p className={isOld ? 'backups-old' : ''} role="status">
        {newest
          ? `The newest backup was made ${ageOf(newest.at)} (${dateOf(newest.at)}).`
          : isDemo
            ? 'There is no backup. The demo shop makes none by itself.'
            : 'There is no backup yet.'}{' '}
        {isOld &&
          '▲ No backup is younger than a week. Back up now, or choose a folder that can be written to.'}
      </p>
      <Job job={job} />
      <Where state={state} />
      <div className="backups-acts">
        <button
          type="button"
          className="btn btn-fern"
          disabled={job?.isRunning === true || make.isPending}
          onClick={() => make.mutate(undefined)}
        >
          Back up now
        </button>
        <button
          type="button"
          className="btn btn-quiet"
          onClick={() => void download('/backup', (text) => tell({ tone: 'bad', text }))}
        >
          Download a backup
        </button>
      </div>
      {items.length > 0 && (
        <table className="backups-table">
          <caption>Kept: the newest of 7 days, 4 weeks and 12 months</caption>
          <Heads of={['Made', 'Age', 'Size', 'Actions']} />
          <tbody>
            {items.map((row) => (
              <tr key={row.name}>
                <th scope="row">{dateOf(row.at)}</th>
                <td>{ageOf(row.at)}</td>
                <td>{sizeOf(row.bytes)}</td>
                <td>
                  <span className="backups-row">
                    <button
                      type="button"
                      className="btn btn-sm btn-quiet"
                      aria-label={`Check the backup of ${dateOf(row.at)}`}
                      disabled={check.isPending}
                      onClick={() => check.mutate(row.name)}
                    >
                      {check.isPending && check.variables === row.name ? 'Checking …' : 'Check'}
                    </button>
                    <button
                      type="button"
                      className="btn btn-sm btn-quiet"
                      aria-label={`Download the backup of ${dateOf(row.at)}`}
                      onClick={() =>
                        void download(`/backups/${row.name}`, (text) => tell({ tone: 'bad', text }))
                      }
                    >
                      Download
                    </button>
                    <button
                      type="button"
                      className="btn btn-sm btn-quiet"
                      aria-label={`Restore the backup of ${dateOf(row.at)}`}
                      disabled={job?.isRunning === true}
                      onClick={() => setRestoring(row)}
                    >
                      Restore …
                    </button>
                  </span>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {restoring && <RestoreSheet row={restoring} onHide={() => setRestoring(undefined)} />}
    </div>
  );
}

/** What is being done, or how it ended. */
function Job({ job }: Pick<BackupsState, 'job'>) {
  if (!job) return null;
  if (job.isRunning)
    return (
      <p role="status">
        <span className="state-swing backups-swing" aria-hidden="true" />
        {job.kind === 'backup' ? 'Backing up …' : 'Restoring …'} Go on working meanwhile.
      </p>
    );
  if (job.problem !== undefined)
    return (
      <p role="alert" className="backups-old">
        ■ {job.kind === 'backup' ? 'The last backup failed' : 'Restoring failed'}: {job.problem}
      </p>
    );
  if (job.kind === 'backup') return <p role="status">✓ Backed up, read back and found whole.</p>;
  return (
    <div role="status" className="backups-restored">
      <p>
        ✓ Restored into <b>{job.result}</b>. Nothing here was changed. To work with it, stop this server and
        start it with that folder:
      </p>
      <code>npm start -- --data &quot;{job.result}&quot;</code>
    </div>
  );
}

/** Whether a backup is made every day, and where it goes. */
function Where({ state: { version, folder, isOn, isInside } }: { readonly state: BackupsState }) {
  const [typed, setTyped] = useState(folder);
  const edit = useAct((change: BackupsEdit) => editBackups(change, version));
  return (
    <form
      className="backups-where"
      onSubmit={(event) => {
        event.preventDefault();
        edit.mutate({ folder: typed.trim() });
      }}
    >
      <label className="backups-daily">
        <input
          type="checkbox"
          checked={isOn}
          onChange={(event) => edit.mutate({ isOn: event.currentTarget.checked })}
        />
        Back up every day
      </label>
      <label>
        Folder
        <input
          type="text"
          value={typed}
          maxLength={1000}
          spellCheck={false}
          onChange={(event) => setTyped(event.currentTarget.value)}
        />
      </label>
      <button
        type="submit"
        className="btn btn-sm btn-quiet"
        disabled={typed.trim() === folder || edit.isPending}
      >
        Save
      </button>
      {isInside && (
        <p className="backups-hint">
          This folder lies inside the shop’s data. Choose one on another disk: a lost disk takes both.
        </p>
      )}
    </form>
  );
}

/** The confirmed step before a backup is restored. */
function RestoreSheet({ row, onHide }: { readonly row: BackupRow; readonly onHide: () => void }) {
  const restore = useAct(restoreBackup);
  return (
    <Sheet
      title={`Restore the backup of ${dateOf(row.at)}`}
      onHide={onHide}
      footer={
        <>
          <button type="button" className="btn btn-quiet" onClick={onHide}>
            Cancel
          </button>
          <button
            type="button"
            className="btn btn-fern"
            onClick={() => {
              restore.mutate(row.name);
              onHide();
            }}
          >
            Restore into a new folder
          </button>
        </>
      }
    >
      <p>
        The shop as it was {ageOf(row.at)} is put into a new folder beside this shop’s data. This shop stays
        as it is, and goes on being served.
      </p>
      <p>Every document is checked first. When it is done, this page says how to start with it.</p>
    </Sheet>
  );
}
