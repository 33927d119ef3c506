import type { Rect } from '../../api/types';
import { bringSlides } from '../../ui/importSlides';

/**
 * Makes a slide of what a screen shows now, as much of it as is shown.
 *
 * @returns the name it got
 */
export async function stillOf(lessonId: string, screen: MediaStream, area: Rect | null): Promise<string> {
    const video = document.createElement('video');
    video.muted = true;
    video.srcObject = new MediaStream(screen.getVideoTracks());
    await video.play();
    const part = area ?? { x: 0, y: 0, width: 1, height: 1 };
    const canvas = document.createElement('canvas');
    canvas.width = Math.round(part.width * video.videoWidth);
    canvas.height = Math.round(part.height * video.videoHeight);
    canvas
        .getContext('2d', { alpha: false })
        ?.drawImage(
            video,
            part.x * video.videoWidth,
            part.y * video.videoHeight,
            canvas.width,
            canvas.height,
            0,
            0,
            canvas.width,
            canvas.height,
        );
    video.srcObject = null;
    const blob = await new Promise<Blob | null>((made) => canvas.toBlob(made, 'image/png'));
    if (!blob) {
        throw new Error('No picture came from the screen. Share it again and try once more.');
    }
    const { names, refused } = await bringSlides(lessonId, [new File([blob], 'Screen.png', { type: 'image/png' })]);
    const [name] = names;
    if (name === undefined) {
        throw new Error(refused[0] ?? 'The picture of the screen could not become a slide.');
    }
    return name;
}
