import type { Lesson, Section, Take } from '../../api/types';
import type { ChangedLine } from '../../page/decorations';

/** The words alone, as the server compares them. */
const key = (text: string): string =>
    (
        text
            .toLowerCase()
            .replace(/’/g, "'")
            .match(/[\p{L}\p{M}\p{N}]+/gu) ?? [text]
    ).join(' ');

/** The take that counts for what a section says: the kept one, or else the newest not set aside. */
export function tellingTake(section: Section): Take | undefined {
    return (
        section.takes.findLast((take) => take.verdict === 'kept') ??
        section.takes.findLast((take) => take.verdict === 'undecided')
    );
}

/** Lines whose words are not those that were recorded, with the recorded ones at hand. */
export function changedSince(lesson: Lesson): (ChangedLine & { section: string })[] {
    const spoken = new Map<string, { take: Take; text: string }>();
    for (const section of lesson.sections) {
        for (const take of [...section.takes].sort((a, b) => rank(a) - rank(b) || a.number - b.number)) {
            take.lines.forEach((line) => spoken.set(line.id, { take, text: line.text }));
        }
    }
    return lesson.sections.flatMap((section) =>
        section.lines.flatMap((line) => {
            const was = spoken.get(line.id);
            return was && was.take.verdict !== 'discarded' && key(was.text) !== key(line.text)
                ? [
                      {
                          line: line.id,
                          section: section.id,
                          says: `Changed since take ${was.take.number}. Recorded: “${was.text}”`,
                      },
                  ]
                : [];
        }),
    );
}

const rank = (take: Take): number => ['discarded', 'undecided', 'kept'].indexOf(take.verdict);
