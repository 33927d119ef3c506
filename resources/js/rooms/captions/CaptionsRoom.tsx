import Button from 'react-bootstrap/Button';
import { Link } from 'react-router';
import { useAssembly } from '../../api/lesson';
import { fingerprint } from '../../player/plan';
import { useLessonPlace } from '../../shell/LessonFrame';
import { roomPath } from '../../shell/paths';
import { EmptyPlace } from '../../ui/EmptyPlace';
import { Icon } from '../../ui/Icon';
import { useStored } from '../../ui/useStored';
import { Waiting } from '../../ui/Waiting';
import { Watch } from '../../ui/watch/Watch';
import { CaptionInHand } from './CaptionInHand';
import { CaptionList } from './CaptionList';
import { OtherLanguage } from './OtherLanguage';
import { TranslationField } from './TranslationField';
import { keyOf } from './captions';
import { useCaptions } from '../../ui/watch/useCaptions';
import { useCaptionDesk } from './useCaptionDesk';

/** Captions are read by a person, one after the other, with what is said meanwhile. */
export default function CaptionsRoom() {
    const { lesson, section } = useLessonPlace();
    const { data: plan, error } = useAssembly(lesson.id);
    const { data: captions, error: noCaptions } = useCaptions(lesson.id);
    const [language, setLanguage] = useStored(`captions/${lesson.id}/language`);
    const desk = useCaptionDesk(lesson, section, captions);
    const { all, now, index } = desk;

    if (!plan || !captions) {
        return (
            <Waiting room="Captions" says="Listening where each word is..." problem={(error ?? noCaptions)?.message} />
        );
    }
    if (all.length === 0 || !now) {
        return (
            <EmptyPlace
                room="Captions"
                says="Nothing that is kept says a line of the script yet, so there are no captions."
            >
                <Link className="btn btn-primary" to={roomPath(lesson.id, 'record')}>
                    Record
                </Link>
            </EmptyPlace>
        );
    }
    const own = all.filter((one) => one.section === now.section);
    const left = all.length - captions.unchecked;
    return (
        <main className="room captions-room">
            <section className="captions-read" aria-label="All captions">
                <header>
                    <h1>Captions</h1>
                    <p className="soft times mb-0" role="status">
                        {captions.unchecked === 0 ? (
                            <>
                                <Icon name="check" /> All {all.length} are checked.
                            </>
                        ) : (
                            `${left} of ${all.length} checked`
                        )}
                    </p>
                    <Link to={roomPath(lesson.id, 'handover')}>Back to Hand over</Link>
                    <OtherLanguage
                        lessonId={lesson.id}
                        captions={captions}
                        language={language}
                        onChoose={setLanguage}
                    />
                </header>
                <CaptionList all={all} fps={plan.fps} at={index} onChoose={desk.go} />
            </section>
            <section className={language ? 'caption-desk has-other' : 'caption-desk'} aria-label="The caption in hand">
                <Watch
                    key={fingerprint(plan)}
                    plan={plan}
                    from={now.section.id}
                    isBare
                    over={() => <Shown text={desk.text} />}
                    onPlayer={desk.setPlayer}
                />
                <CaptionInHand
                    key={keyOf(now)}
                    caption={now.caption}
                    text={desk.text}
                    isLast={now === own.at(-1)}
                    disabled={desk.isPending}
                    onType={desk.type}
                    onRight={desk.right}
                    onHear={desk.hear}
                    onStep={(by) => desk.go(index + by)}
                    onEnd={desk.endLater}
                    onUncheck={desk.uncheck}
                >
                    {language && (
                        <TranslationField
                            key={`${language}/${keyOf(now)}`}
                            lessonId={lesson.id}
                            language={language}
                            name={captions.languages[language] ?? language}
                            caption={now.caption}
                        />
                    )}
                </CaptionInHand>
                <p className="mb-0">
                    <Button
                        variant="quiet"
                        size="sm"
                        disabled={desk.isPending || own.every((one) => one.caption.checked)}
                        onClick={() => desk.check(own)}
                    >
                        <Icon name="check" /> All {own.length} of this section are right
                    </Button>
                </p>
            </section>
        </main>
    );
}

/** As the viewer will see it. */
function Shown({ text }: { text: string }) {
    return (
        <div className="shown-caption" aria-hidden="true">
            <span>{text}</span>
        </div>
    );
}
