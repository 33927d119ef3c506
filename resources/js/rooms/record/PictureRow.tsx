import { layouts } from '../../ui/layouts';
import Button from 'react-bootstrap/Button';
import type { Layout } from '../../api/types';
import type { Hand, InkChoice } from './useInk';

interface Props {
    plan: { surface: string | null } | undefined;
    pens: string[];
    choice: InkChoice;
    hasInk: boolean;
    canTurn: boolean;
    onChoice: (choice: InkChoice) => void;
    onLayout: (layout: Layout) => void;
    onTurn: (by: number) => void;
    onTakeBack: () => void;
    onWipe: () => void;
    /** Makes a slide of the screen; null without one. */
    onStill: (() => void) | null;
}

const hands: [Hand, string][] = [
    ['point', 'Point'],
    ['pen', 'Pen'],
    ['highlighter', 'Highlight'],
];
const penNames = ['Ink', 'Accent', 'Paper', 'Contrast'];

/** What is seen and what one draws with, in one row under the picture. */
export function PictureRow({ plan, pens, choice, hasInk, canTurn, ...acts }: Props) {
    const onBoard = plan?.surface?.startsWith('board:');
    const what = onBoard ? 'page' : 'slide';
    return (
        <div className="picture-row" role="group" aria-label="The picture">
            <div className="choice" role="group" aria-label="Layout">
                {layouts.map(({ layout, short }) => (
                    <Button key={layout} size="sm" variant="quiet" onClick={() => acts.onLayout(layout)}>
                        {short}
                    </Button>
                ))}
            </div>
            {canTurn && (
                <div className="choice" role="group" aria-label={onBoard ? 'Page of the board' : 'Slide'}>
                    <Button size="sm" variant="quiet" aria-label={`Previous ${what}`} onClick={() => acts.onTurn(-1)}>
                        ‹
                    </Button>
                    <Button size="sm" variant="quiet" aria-label={`Next ${what}`} onClick={() => acts.onTurn(1)}>
                        {onBoard ? `Page ${plan?.surface?.slice(6)}` : 'Slide'} ›
                    </Button>
                </div>
            )}
            {acts.onStill && (
                <Button size="sm" variant="quiet" onClick={acts.onStill}>
                    Screen as a slide
                </Button>
            )}
            {plan?.surface && (
                <>
                    <div className="choice" role="group" aria-label="Hand">
                        {hands.map(([hand, name]) => (
                            <Button
                                key={hand}
                                size="sm"
                                variant="quiet"
                                aria-pressed={choice.hand === hand}
                                onClick={() => acts.onChoice({ ...choice, hand })}
                            >
                                {name}
                            </Button>
                        ))}
                    </div>
                    {choice.hand !== 'point' && (
                        <>
                            <div className="choice pens" role="group" aria-label="Colour">
                                {pens.map((colour, index) => (
                                    <button
                                        key={index}
                                        type="button"
                                        className="pen-colour"
                                        aria-label={penNames[index]}
                                        title={penNames[index]}
                                        aria-pressed={choice.colour === colour}
                                        onClick={() => acts.onChoice({ ...choice, colour })}
                                    >
                                        <i style={{ background: `#${colour}` }} />
                                    </button>
                                ))}
                            </div>
                            <Button
                                size="sm"
                                variant="quiet"
                                aria-pressed={choice.thick}
                                onClick={() => acts.onChoice({ ...choice, thick: !choice.thick })}
                            >
                                {choice.thick ? 'Thick' : 'Thin'}
                            </Button>
                        </>
                    )}
                    {(hasInk || onBoard) && (
                        <div className="choice">
                            <Button size="sm" variant="quiet" disabled={!hasInk} onClick={acts.onTakeBack}>
                                Take back
                            </Button>
                            <Button size="sm" variant="quiet" onClick={acts.onWipe}>
                                Wipe
                            </Button>
                        </div>
                    )}
                </>
            )}
        </div>
    );
}
