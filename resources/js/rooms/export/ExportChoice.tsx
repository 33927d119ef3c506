import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { api } from '../../api/client';
import { useLessonChange } from '../../api/lesson';
import type { Assembly, Edition, Export, Lesson } from '../../api/types';
import { useNotices } from '../../ui/Notices';
import { Icon } from '../../ui/Icon';
import { useStored } from '../../ui/useStored';
import { DraftButton } from './DraftButton';
import { PresetRow } from './PresetRow';
import { kept, sameEdition, says, usual } from './presets';

interface Props {
    lesson: Lesson;
    plan: Assembly;
    /** The film is there and says what the lesson says. */
    upToDate: boolean;
    exported: boolean;
    canDraft: boolean;
}

const most = 6;

/** What is to be exported: as usual by one press, or several files of one's own choice. */
export function ExportChoice({ lesson, plan, upToDate, exported, canDraft }: Props) {
    const { failed } = useNotices();
    const [text, setText] = useStored(`export/${lesson.id}`);
    const [open, setOpen] = useState(text !== '');
    const { data: last } = useQuery({
        queryKey: ['usual', lesson.id],
        queryFn: () => api.get<Edition[]>(`lessons/${lesson.id}/exports/usual`),
        staleTime: Infinity,
    });
    const start = useLessonChange(lesson.id, async (wanted: Edition[]) => {
        const batch = `${Date.now().toString(36)}${Math.random().toString(36).slice(2)}`;
        for (const edition of wanted) {
            await api.post<Export>(`lessons/${lesson.id}/exports`, { ...edition, batch });
        }
    });
    const chosen = kept(text) ?? last ?? [usual];
    const here = chosen.map((one) =>
        lesson.sections.some(({ id }) => id === one.section) ? one : { ...one, section: null },
    );
    const set = (editions: Edition[]) => setText(JSON.stringify(editions));
    const planKey = `${plan.frames}/${plan.rendered}/${lesson.revision}`;
    const ready = plan.rendered === plan.sections;
    // How much there is to do is known once everything that is kept was read.
    const waits = lesson.sections.some(({ progress }) => progress.reading !== null);
    const own = here.map(says).filter(Boolean);
    return (
        <section className="export-choice" aria-label="Export">
            <div className="export-start">
                <Button
                    variant={upToDate ? 'quiet' : 'primary'}
                    disabled={start.isPending || plan.segments.length === 0}
                    onClick={() => start.mutate(here, { onSuccess: () => setText(''), onError: failed })}
                >
                    {here.length > 1 ? `Export ${here.length} files` : exported ? 'Export again' : 'Export'}
                </Button>
                <Button variant="quiet" aria-expanded={open} onClick={() => setOpen(!open)}>
                    Size, format and quality
                </Button>
                {canDraft && <DraftButton lessonId={lesson.id} />}
                <span className="soft">
                    {!waits &&
                        (upToDate
                            ? 'The film below is up to date.'
                            : ready
                              ? 'Every section is rendered already; this takes a moment.'
                              : `${plan.rendered} of ${plan.sections} sections are rendered already.`)}
                    {!open && own.length > 0 && ` Chosen: ${own.join(' and ')}.`}
                </span>
            </div>
            {open && (
                <>
                    {here.map((edition, n) => (
                        <PresetRow
                            key={n}
                            number={n + 1}
                            lesson={lesson}
                            edition={edition}
                            planKey={planKey}
                            onChange={(now) => set(here.map((one, at) => (at === n ? now : one)))}
                            onRemove={here.length > 1 ? () => set(here.filter((_, at) => at !== n)) : undefined}
                        />
                    ))}
                    <p className="comment-acts">
                        <Button
                            size="sm"
                            variant="quiet"
                            disabled={here.length >= most}
                            onClick={() => set([...here, another(here)])}
                        >
                            <Icon name="plus" /> Another file
                        </Button>
                        <span className="soft">The next lesson of this course is offered the same.</span>
                    </p>
                </>
            )}
        </section>
    );
}

/** A kind of file that is not chosen yet. */
function another(chosen: Edition[]): Edition {
    const ideas: Edition[] = [
        usual,
        { ...usual, format: 'webm' },
        { ...usual, quality: 'small' },
        { ...usual, burned: true },
    ];
    return ideas.find((idea) => !chosen.some((one) => sameEdition(one, idea))) ?? usual;
}
