import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { api } from '../../api/client';
import type { Picture, Style } from '../../api/types';
import { FramePicture } from '../FramePicture';

const shown = ['card', 'ink', 'paper', 'accent', 'heading_face', 'text_face', 'width', 'height'];

/** The sample slide is not one of anybody's deck. */
const withSample = (picture: Picture): Picture => ({
    ...picture,
    layers: picture.layers.map((layer) => (layer.shows === 'slide' ? { ...layer, url: '/sample-slide.svg' } : layer)),
});

/** What a style makes of a slide, a presenter and a card, drawn as in the film. */
export function StyleSample({ style }: { style: Style }) {
    const query = new URLSearchParams(
        Object.entries(style).flatMap(([name, value]) => (value === null ? [] : [[name, String(value)]])),
    ).toString();
    const { data: plan } = useQuery({
        queryKey: ['sample', query],
        queryFn: () => api.get<Picture>(`sample-picture?${query}`),
        placeholderData: keepPreviousData,
    });
    const card = new URLSearchParams(shown.map((name) => [name, String(style[name])]));
    card.set('title', 'How to read a tide table');
    card.set('text', String(style.presenter || 'Reading the Water'));
    return (
        <div className="style-sample">
            {plan && (
                <FramePicture
                    picture={withSample(plan)}
                    label="A slide in this style"
                    camera={<img src="/sample-presenter.svg" alt="" />}
                />
            )}
            <img className="sample-card" src={`/api/sample-card?${card}`} alt="A card in this style" />
        </div>
    );
}
