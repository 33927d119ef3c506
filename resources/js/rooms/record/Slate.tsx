interface Props {
    lesson: string;
    section: string;
    take: number;
    left: number;
    of: number;
}

const RADIUS = 46;

/** Shown while counting down: what is about to be recorded, and an arc that sweeps round the number. */
export function Slate({ lesson, section, take, left, of }: Props) {
    const round = 2 * Math.PI * RADIUS;
    return (
        <div className="slate">
            <p className="soft">{lesson}</p>
            <p className="section">{section}</p>
            <svg viewBox="0 0 100 100" role="img" aria-label={`Recording in ${left}`}>
                <circle cx="50" cy="50" r={RADIUS} className="track" />
                <circle
                    cx="50"
                    cy="50"
                    r={RADIUS}
                    className="arc"
                    strokeDasharray={round}
                    strokeDashoffset={round * (left / of)}
                />
                <text x="50" y="52" dominantBaseline="middle" textAnchor="middle">
                    {left}
                </text>
            </svg>
            <p className="take">Take {take}</p>
        </div>
    );
}
