import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { type RefObject, useState } from 'react';
import { api } from '../../api/client';
import type { PicturePlan, Section, Take } from '../../api/types';
import { FramePicture } from '../../ui/FramePicture';

interface Props {
    section: Section;
    take: Take;
    media: RefObject<HTMLVideoElement | null>;
    url: string;
}

/** The take as it will stand in the film. */
export function TakePicture({ section, take, media, url }: Props) {
    const [seen, setSeen] = useState(take.camera);
    const camera = take.camera ?? seen;
    const query = camera ? `?width=${camera.width}&height=${camera.height}` : '';
    const { data: plan } = useQuery({
        queryKey: [
            'picture',
            section.id,
            section.layout,
            section.inset_corner,
            section.inset_size,
            section.slide?.id,
            query,
        ],
        queryFn: () => api.get<PicturePlan>(`sections/${section.id}/picture${query}`),
        placeholderData: keepPreviousData,
    });
    const video = (
        <video
            ref={media}
            src={url}
            preload="auto"
            playsInline
            onLoadedMetadata={(event) => {
                const { videoWidth: width, videoHeight: height } = event.currentTarget;
                setSeen(width > 0 ? { width, height } : null);
            }}
        />
    );
    return plan ? (
        <div className="take-picture">
            <FramePicture
                plan={plan}
                slideUrl={section.slide?.url ?? null}
                camera={video}
                label={`Take ${take.number} as it will stand in the film`}
            />
        </div>
    ) : (
        <div className="take-picture" />
    );
}
