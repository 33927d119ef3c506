import { Link } from 'react-router';
import type { Section } from '../api/types';
import { clock } from '../lib/time';
import { sectionState, sectionTitle } from './sectionState';

interface Props {
    sections: Section[];
    current: string | undefined;
    /** Where a block leads. */
    href: (section: Section) => string;
}

const aim = (off: number | null): string =>
    off === null ? '' : `, ${clock(Math.abs(off))} ${off > 0 ? 'longer' : 'shorter'} than the target`;

/** A map of the lesson to jump with: one block a section, as wide as it lasts. Never something to edit. */
export function Strip({ sections, current, href }: Props) {
    return (
        <nav aria-label="Sections">
            <ol className="strip">
                {sections.map((section, index) => {
                    const state = sectionState(section);
                    const title = sectionTitle(section, index);
                    return (
                        <li
                            key={section.id}
                            className={`state-${state.fill}${state.notched ? ' notched' : ''}`}
                            style={{ flex: `${state.lengthMs} 1 0` }}
                            aria-current={section.id === current}
                        >
                            <Link
                                to={href(section)}
                                title={`${index + 1}. ${title}: ${state.says}${aim(state.offTargetMs)}`}
                                aria-label={`Section ${index + 1}, ${title}: ${state.says}${aim(state.offTargetMs)}`}
                            >
                                <span>{index + 1}</span>
                                <span className="length">
                                    {state.offTargetMs !== null && (
                                        <b aria-hidden="true">{state.offTargetMs > 0 ? '+' : '−'}</b>
                                    )}
                                    {clock(state.lengthMs)}
                                </span>
                            </Link>
                        </li>
                    );
                })}
            </ol>
        </nav>
    );
}
