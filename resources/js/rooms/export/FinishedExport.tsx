import { useRef, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { api } from '../../api/client';
import { useLessonChange } from '../../api/lesson';
import type { BesideKind, Export, Lesson } from '../../api/types';
import { useNotices } from '../../ui/Notices';
import { Icon } from '../../ui/Icon';
import { clock, day, megabytes, size } from '../../lib/time';
import { ChangesSinceExport } from './ChangesSinceExport';

const names: Partial<Record<BesideKind, string>> = {
    'captions.vtt': 'Captions (WebVTT)',
    'captions.srt': 'Captions (SubRip)',
    'chapters.vtt': 'Chapters (WebVTT)',
    'chapters.txt': 'Chapters as text',
    'transcript.txt': 'Transcript as text',
    'transcript.html': 'Transcript with times (HTML)',
    'transcript.docx': 'Transcript for word processors (DOCX)',
    'script.md': 'Script',
    'thumbnail.jpg': 'Thumbnail',
    'thumbnail-small.jpg': 'Thumbnail, small',
    'thumbnail-title.jpg': 'Thumbnail with the title',
    'sound.m4a': 'Sound only (M4A)',
    'sound.mp3': 'Sound only (MP3)',
};

/** Captions in another language, as it is called in the reader's. */
function translated(kind: string): string {
    const code = kind.split('.')[1] ?? '';
    return `Captions in ${new Intl.DisplayNames(undefined, { type: 'language' }).of(code) ?? code} (WebVTT)`;
}

/** A finished film: it plays here, was checked by the program, and can be taken away. */
export function FinishedExport({ lesson, job }: { lesson: Lesson; job: Export }) {
    const lessonId = lesson.id;
    const film = useRef<HTMLVideoElement>(null);
    const { say, failed } = useNotices();
    const [chosen, setChosen] = useState(0);
    const choose = useLessonChange(lessonId, async (at: number) => {
        await api.put<Export>(`exports/${job.id}/thumbnail`, { at_ms: at });
        setChosen(Date.now());
        say('The thumbnail is another one.');
    });
    const thumbnail = job.beside.find(({ kind }) => kind === 'thumbnail.jpg');
    const captions = job.beside.find(({ kind }) => kind === 'captions.vtt');
    const good = job.findings.every((finding) => finding.ok);
    return (
        <section className="finished-export" aria-label="Finished film">
            <div>
                <video
                    ref={film}
                    src={job.file_url ?? undefined}
                    poster={thumbnail && `${thumbnail.url}?v=${chosen}`}
                    controls
                    preload="metadata"
                    aria-label={job.file_name}
                >
                    {captions && <track kind="captions" src={captions.url} label="From the script" />}
                </video>
                <Button
                    size="sm"
                    variant="quiet"
                    disabled={choose.isPending}
                    onClick={() =>
                        choose.mutate(Math.round(1000 * (film.current?.currentTime ?? 0)), { onError: failed })
                    }
                >
                    Take this picture as thumbnail
                </Button>
            </div>
            <div>
                <h2>{job.file_name}</h2>
                <p className="soft times">
                    {clock(job.length_ms)} · {megabytes(job.bytes ?? 0)} · made {day(job.started_at)}
                    {job.revision !== null && ` of revision ${job.revision} of the script`}
                </p>
                {!job.up_to_date && <ChangesSinceExport lesson={lesson} job={job} />}
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
                            {job.beside.map(({ kind, url, bytes }) => (
                                <li key={kind}>
                                    <a href={`${url}?download`}>{names[kind] ?? translated(kind)}</a>{' '}
                                    <span className="soft times">{size(bytes)}</span>
                                </li>
                            ))}
                        </ul>
                        <p className="comment-acts">
                            <a
                                className="btn btn-quiet btn-sm"
                                href={`/api/lessons/${lessonId}/handout.pdf?layout=one`}
                                title="A slide across the page, what is said to it below"
                            >
                                <Icon name="download" /> Handout (PDF)
                            </a>
                            <a
                                className="btn btn-quiet btn-sm"
                                href={`/api/lessons/${lessonId}/handout.pdf?layout=three`}
                                title="Smaller slides, what is said to them beside"
                            >
                                <Icon name="download" /> Handout, three a page
                            </a>
                            <a className="btn btn-quiet btn-sm" href={`/api/exports/${job.id}/all.zip`}>
                                <Icon name="download" /> All in one archive
                            </a>
                            <a
                                className="btn btn-quiet btn-sm"
                                href={`/api/exports/${job.id}/scorm.zip`}
                                title="A package that course sites take in; it tells them how much was watched"
                            >
                                <Icon name="download" /> For a course site (SCORM 1.2)
                            </a>
                            <a
                                className="btn btn-quiet btn-sm"
                                href={`/api/exports/${job.id}/cmi5.zip`}
                                title="The same for course sites that keep learning records (xAPI)"
                            >
                                <Icon name="download" /> For a course site (cmi5)
                            </a>
                            <a
                                className="btn btn-quiet btn-sm"
                                href={`/api/lessons/${lessonId}/edit.zip`}
                                title="The cuts as OpenTimelineIO and CMX 3600, with the recordings and slides they name"
                            >
                                <Icon name="download" /> For another editor
                            </a>
                        </p>
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
