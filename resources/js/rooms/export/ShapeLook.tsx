import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { api } from '../../api/client';
import type { Assembly, Edition, Lesson } from '../../api/types';
import { FramePicture } from '../../ui/FramePicture';
import { ScreenStill } from '../../ui/ScreenStill';
import { query } from './presets';

const shown = 6;

/** How the lesson looks in another shape, before anything is rendered: a picture from the middle of each section. */
export function ShapeLook({ lesson, edition, planKey }: { lesson: Lesson; edition: Edition; planKey: string }) {
    const { data: plan } = useQuery({
        queryKey: ['assembly', lesson.id, planKey, query({ ...edition, format: 'mp4' })],
        queryFn: () => api.get<Assembly>(`lessons/${lesson.id}/assembly?${query({ ...edition, format: 'mp4' })}`),
        placeholderData: keepPreviousData,
    });
    if (!plan) {
        return null;
    }
    const takes = lesson.sections.flatMap((one) => one.takes);
    const poster = (id: string | null) => {
        const url = takes.find((take) => take.id === id)?.poster_url;
        return url && <img src={url} alt="" />;
    };
    const opens = plan.segments.filter((one, n) => plan.segments[n - 1]?.section_id !== one.section_id);
    const places = opens.slice(0, shown);
    return (
        <div className="shape-look" role="group" aria-label="How it will look">
            {places.map((segment) => {
                const at = Math.floor(segment.frames / 2);
                const shot = [...segment.shots].reverse().find((one) => one.offset <= at);
                return (
                    shot && (
                        <figure key={segment.start_frame}>
                            <FramePicture
                                picture={shot.picture}
                                label={segment.title}
                                camera={poster(segment.take_id)}
                                screen={
                                    <ScreenStill segment={segment} frame={segment.start_frame + at} fps={plan.fps} />
                                }
                            />
                            <figcaption className="soft">{segment.title}</figcaption>
                        </figure>
                    )
                );
            })}
        </div>
    );
}
