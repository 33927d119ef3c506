import { useEffect } from 'react';
import Button from 'react-bootstrap/Button';
import { Link, useParams } from 'react-router';
import { useQuery } from '@tanstack/react-query';
import { api } from '../../api/client';
import { useLesson, useSlides } from '../../api/lesson';
import type { Lesson, ScriptSection, ScriptText, Section, Slide } from '../../api/types';
import { cueLabel, cuesIn } from '../../lib/scriptSyntax';
import { about } from '../../lib/time';

/** The script for paper: what is seen on the left, what is said on the right. */
export default function PrintRoom() {
    const { lessonId = '' } = useParams();
    const { data: lesson } = useLesson(lessonId);
    const { data: slides } = useSlides(lessonId);
    const { data: script } = useQuery({
        queryKey: ['paper', lessonId],
        queryFn: () => api.get<ScriptText>(`lessons/${lessonId}/script`),
        gcTime: 0,
    });
    useEffect(() => {
        document.title = lesson ? `${lesson.title} (script)` : 'Open Reel';
    }, [lesson]);
    if (!lesson || !slides || !script) {
        return null;
    }
    const total = lesson.sections.reduce((sum, section) => sum + section.estimate_ms, 0);
    return (
        <main className="print-page">
            <p className="not-on-paper">
                <Link to={`/lessons/${lesson.id}/script`}>Back to the script</Link>{' '}
                <Button size="sm" onClick={() => window.print()}>
                    Print
                </Button>
            </p>
            <h1>{lesson.title}</h1>
            <p className="soft times">
                {lesson.sections.length} sections, {about(total)}
            </p>
            <table>
                <thead>
                    <tr>
                        <th scope="col">Seen</th>
                        <th scope="col">Said</th>
                    </tr>
                </thead>
                <tbody>
                    {lesson.sections.map((section, index) => (
                        <Row
                            key={section.id}
                            lesson={lesson}
                            section={section}
                            index={index}
                            place={script.sections[index]}
                            slides={slides}
                        />
                    ))}
                </tbody>
            </table>
        </main>
    );
}

interface RowProps {
    lesson: Lesson;
    section: Section;
    index: number;
    place: ScriptSection | undefined;
    slides: Slide[];
}

function Row({ section, index, place, slides }: RowProps) {
    const shown = place?.slides.flatMap(({ slide }) => slides.find((one) => one.id === slide) ?? []) ?? [];
    return (
        <tr>
            <td>
                {place?.card_url && <img src={place.card_url} alt="" />}
                {shown.map((slide, at) => (
                    <figure key={at}>
                        <img src={slide.url} alt="" />
                        <figcaption>{slide.name}</figcaption>
                    </figure>
                ))}
                {shown.length === 0 && !place?.card_url && <p className="soft">Presenter alone</p>}
            </td>
            <td>
                <h2>
                    {index + 1}. {section.heading || 'Without a heading'}{' '}
                    <small className="soft times">{about(section.estimate_ms)}</small>
                </h2>
                {section.script
                    .split(/\n\s*\n/)
                    .filter((paragraph) => paragraph.trim() !== '')
                    .map((paragraph, at) => (
                        <p key={at}>{withCues(paragraph)}</p>
                    ))}
            </td>
        </tr>
    );
}

/** Words with their cues as small print. */
function withCues(text: string) {
    const pieces: (string | { label: string })[] = [];
    let at = 0;
    for (const cue of cuesIn(text)) {
        pieces.push(text.slice(at, cue.from), { label: cueLabel(cue) });
        at = cue.to;
    }
    pieces.push(text.slice(at));
    return pieces.map((piece, index) =>
        typeof piece === 'string' ? piece.replace(/\\(?=[[\]#])/g, '') : <em key={index}>{piece.label}</em>,
    );
}
