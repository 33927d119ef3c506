import { useEffect, useState } from 'react';
import { useSearchParams } from 'react-router';
import { openScript } from '../../page/scripts';
import type { ScriptText } from '../../api/types';
import type { ScriptSync } from '../../page/ScriptSync';
import { useLessonPlace } from '../../shell/LessonFrame';
import { Waiting } from '../../ui/Waiting';
import { ScriptDesk } from './ScriptDesk';

const tryAgainMs = 2000;

/** The page of a lesson's script, with the words as they are in this window, whether the server has them or not. */
export default function ScriptRoom() {
    const { lesson, section } = useLessonPlace();
    const [params] = useSearchParams();
    const { script, problem } = useScript(lesson.id);
    if (!script) {
        return <Waiting room="Script" says="Opening the script..." problem={problem} />;
    }
    const start = { section: section?.id, line: params.get('line') };
    // Another line that was found is another place to begin.
    return <ScriptDesk key={`${lesson.id}/${start.line}`} lesson={lesson} script={script} start={start} />;
}

/** Tries until it can be read. */
function useScript(lessonId: string): { script: ScriptSync<ScriptText> | null; problem: string | null } {
    const [script, setScript] = useState<ScriptSync<ScriptText> | null>(null);
    const [problem, setProblem] = useState<string | null>(null);
    useEffect(() => {
        let gone = false;
        let timer: ReturnType<typeof setTimeout>;
        const read = () =>
            openScript(lessonId).then(
                (found) => !gone && setScript(found),
                (error: Error) => {
                    if (!gone) {
                        setProblem(error.message);
                        timer = setTimeout(() => void read(), tryAgainMs);
                    }
                },
            );
        void read();
        return () => {
            gone = true;
            clearTimeout(timer);
            setScript(null);
            setProblem(null);
        };
    }, [lessonId]);
    return { script, problem };
}
