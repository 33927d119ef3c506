import type { Lesson } from '../../api/types';
import type { ChangedLine } from '../../page/decorations';

/** Lines whose words are not those that were recorded, with the recorded ones at hand. */
export const changedSince = (lesson: Lesson): (ChangedLine & { section: string })[] =>
    lesson.sections.flatMap((section) =>
        section.coverage.lines.flatMap(({ id, was, was_take }) =>
            was === null
                ? []
                : [{ line: id, section: section.id, says: `Changed since take ${was_take}. Recorded: “${was}”` }],
        ),
    );
