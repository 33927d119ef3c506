import { useMemo } from 'react';
import { useCaptions } from './useCaptions';

/** The caption of a frame over the picture, as it is drawn into a film with captions. */
export function CaptionOver({ lessonId, frame }: { lessonId: string; frame: number }) {
    const { data: captions } = useCaptions(lessonId);
    const all = useMemo(() => (captions?.sections ?? []).flatMap((section) => section.captions), [captions]);
    const shown = all.find((one) => !one.to_fill && one.from_frame <= frame && frame < one.until_frame);
    if (!captions || !shown) {
        return null;
    }
    const { look } = captions;
    const high = (pixels: number) => `${(100 * pixels) / look.frame.height}cqh`;
    const ground = `color-mix(in srgb, #${look.ink} ${100 * look.opacity}%, transparent)`;
    return (
        <div className="caption-over">
            <p
                style={{
                    bottom: high(look.bottom),
                    color: `#${look.paper}`,
                    fontFamily: look.face,
                    fontSize: high(look.letters),
                    lineHeight: high(look.row),
                    WebkitTextStroke: look.box ? undefined : `${high(2 * look.outline)} ${ground}`,
                }}
            >
                {shown.rows.map((row, n) => (
                    <span
                        key={n}
                        style={look.box ? { background: ground, padding: `0 ${high(look.padding)}` } : undefined}
                    >
                        {row}
                    </span>
                ))}
            </p>
        </div>
    );
}
