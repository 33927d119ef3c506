import { giveVerdict, undoVerdict, useLessonChange } from '../../api/lesson';
import type { Lesson, Take, Verdict, VerdictGiven } from '../../api/types';
import { useNotices } from '../../ui/Notices';

/** What is decided about a take, said with a way back. */
export function useVerdict(lesson: Lesson, take: Take, onPicked: (take: string) => void) {
    const { say, failed } = useNotices();
    const verdict = useLessonChange(lesson.id, (to: Verdict) => giveVerdict(take.id, to));
    // A verdict counts from the key on, not only when the server has answered.
    const standing = verdict.isPending ? verdict.variables : take.verdict;
    const decide = (to: Verdict) => {
        if (to === standing) {
            return;
        }
        onPicked(take.id);
        const undo = async (given: VerdictGiven) => {
            await undoVerdict(lesson.id, given.undo);
            verdict.reset();
            refresh.mutate();
        };
        const says = {
            kept: `Take ${take.number} is kept.`,
            discarded: `Take ${take.number} is set aside.`,
            undecided: `Take ${take.number} is undecided again.`,
        };
        verdict.mutate(to, {
            onSuccess: (given) => {
                const wrote = given.wrote.length > 0 ? ` Written into the script: ${given.wrote.join(', ')}.` : '';
                say(says[to] + wrote, () => void undo(given).catch(failed));
            },
            onError: failed,
        });
    };
    const refresh = useLessonChange(lesson.id, () => Promise.resolve());
    return { standing, decide, isPending: verdict.isPending };
}
