import { Link } from 'react-router';
import type { Lesson, Section, SiteComment, TakeGlance } from '../../api/types';
import type { PageGeometry } from '../../page/geometry';
import { roomPath } from '../../shell/paths';
import { openComments, useSite } from '../../shell/useSite';
import { Icon } from '../../ui/Icon';

const most = 3;
const words = { kept: 'kept', undecided: 'undecided', discarded: 'set aside' } as const;

/** Takes as pencil rules beside exactly the lines they speak, and what viewers say of lines. */
export function Margin({ lesson, geometry }: { lesson: Lesson; geometry: PageGeometry }) {
    const comments = openComments(useSite(lesson.id).data);
    return (
        <div className="takes-margin">
            {geometry.sections.flatMap(({ id }) => {
                const section = lesson.sections.find((s) => s.id === id);
                return section ? shown(section).map((take, place) => rule(lesson, section, take, place, geometry)) : [];
            })}
            {split(lesson, geometry).map(({ section, take }) => rule(lesson, section, take, 0, geometry))}
            {comments.map((comment) => commentMark(lesson, comment, geometry))}
        </div>
    );
}

/** The kept takes and the newest others; takes set aside stay in Review. */
const shown = (section: Section): TakeGlance[] =>
    section.takes
        .filter((take) => take.verdict !== 'discarded' && take.lines.length > 0)
        .sort((a, b) => Number(b.verdict === 'kept') - Number(a.verdict === 'kept') || b.number - a.number)
        .slice(0, most);

/** Kept takes of other sections that speak a visible section's lines: it was split off from there. */
function split(lesson: Lesson, geometry: PageGeometry): { section: Section; take: TakeGlance }[] {
    const visible = new Set(geometry.sections.map((one) => one.id));
    return lesson.sections.flatMap((section) =>
        visible.has(section.id)
            ? lesson.sections.flatMap((other) =>
                  other.takes
                      .filter((take) => take.section_id !== section.id && section.coverage.takes.includes(take.id))
                      .map((take) => ({ section, take })),
              )
            : [],
    );
}

function rule(lesson: Lesson, section: Section, take: TakeGlance, place: number, geometry: PageGeometry) {
    const own = new Set(section.lines.map((line) => line.id));
    const extents = take.lines.flatMap((line) => (own.has(line) ? (geometry.lines.get(line) ?? []) : []));
    if (extents.length === 0) {
        return null;
    }
    const top = Math.min(...extents.map((one) => one.top));
    const bottom = Math.max(...extents.map((one) => one.bottom));
    const says = `Take ${take.number}, ${words[take.verdict]}`;
    return (
        <Link
            key={`${section.id}/${take.id}`}
            className={`take-rule is-${take.verdict}`}
            style={{ top, height: bottom - top, right: place * 20 }}
            to={roomPath(lesson.id, 'review', take.section_id)}
            title={says}
            aria-label={`${says}, section ${lesson.sections.indexOf(section) + 1}`}
        >
            <span className="number">
                {take.number}
                {take.verdict === 'kept' ? <Icon name="check" /> : '?'}
            </span>
        </Link>
    );
}

/** What a viewer says of a line stands beside it. */
function commentMark(lesson: Lesson, comment: SiteComment, geometry: PageGeometry) {
    const extent = comment.line_id === null ? undefined : geometry.lines.get(comment.line_id);
    if (!extent) {
        return null;
    }
    const says = `${comment.name}: ${comment.text}`;
    return (
        <Link
            key={comment.id}
            className="comment-mark"
            style={{ top: extent.top }}
            to={roomPath(lesson.id, 'review', comment.section_id ?? undefined)}
            title={says}
            aria-label={`Comment: ${says}`}
        >
            <Icon name="comment" />
        </Link>
    );
}
