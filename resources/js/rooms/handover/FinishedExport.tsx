import type { Export } from '../../api/types';
import { Icon } from '../../ui/Icon';
import { clock, megabytes } from '../../ui/time';

const names: Record<Export['beside'][number]['kind'], string> = {
    'captions.vtt': 'Captions (WebVTT)',
    'captions.srt': 'Captions (SubRip)',
    'chapters.vtt': 'Chapters (WebVTT)',
    'transcript.txt': 'Transcript',
};

/** A finished film: it plays here, was checked by the program, and can be taken away. */
export function FinishedExport({ job }: { job: Export }) {
    const captions = job.beside.find(({ kind }) => kind === 'captions.vtt');
    const good = job.findings.every((finding) => finding.ok);
    return (
        <section className="finished-export" aria-label="Finished film">
            <video src={job.file_url ?? undefined} controls preload="metadata" aria-label={job.file_name}>
                {captions && <track kind="captions" src={captions.url} label="From the script" />}
            </video>
            <div>
                <h2>{job.file_name}</h2>
                <p className="soft times">
                    {clock(job.length_ms)} · {megabytes(job.bytes ?? 0)}
                </p>
                {!job.up_to_date && (
                    <p className="flag">
                        <Icon name="exclamation" /> The lesson has changed since. Export again to have the changes in
                        the film.
                    </p>
                )}
                <p>
                    <a
                        className={`btn ${job.up_to_date ? 'btn-primary' : 'btn-quiet'}`}
                        href={`${job.file_url}?download`}
                    >
                        <Icon name="download" /> Download
                    </a>
                </p>
                {job.beside.length > 0 && (
                    <div className="beside-film">
                        <h3>Beside it</h3>
                        <ul>
                            {job.beside.map(({ kind, url }) => (
                                <li key={kind}>
                                    <a href={`${url}?download`}>{names[kind]}</a>
                                </li>
                            ))}
                        </ul>
                    </div>
                )}
                <h3>{good ? 'Checked: the file is as intended' : 'Checked: something needs a look'}</h3>
                <ul className="findings">
                    {job.findings.map((finding) => (
                        <li key={finding.name} className={finding.ok ? '' : 'flag'}>
                            <Icon name={finding.ok ? 'check' : 'exclamation'} /> {finding.says}
                        </li>
                    ))}
                </ul>
            </div>
        </section>
    );
}
