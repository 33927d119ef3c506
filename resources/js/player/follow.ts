/** Further apart than this, seconds, it is set right; below, setting it right would be seen more than the difference. */
const APART = 0.045;
const EVERY_MS = 250;

/**
 * Lets one element play in step with another.
 *
 * @param late seconds by which the follower's media begin later
 * @returns a way to let go of it
 */
export function follow(leader: HTMLMediaElement, follower: HTMLMediaElement, late: number): () => void {
    const place = () => Math.max(0, leader.currentTime - late);
    const set = () => {
        follower.playbackRate = leader.playbackRate;
        const apart = Math.abs(follower.currentTime - place());
        if (!follower.seeking && follower.readyState > 0 && apart > APART) {
            follower.currentTime = Math.min(place(), follower.duration || Infinity);
        }
    };
    const play = () => {
        set();
        if (leader.currentTime >= late) {
            void follower.play().catch(() => undefined);
        }
    };
    const pause = () => {
        follower.pause();
        set();
    };
    const look = () => {
        if (leader.paused || leader.ended) {
            return;
        }
        if (follower.paused && !follower.ended) {
            play();
        } else {
            set();
        }
    };
    const timer = setInterval(look, EVERY_MS);
    const events: [string, () => void][] = [
        ['play', play],
        ['playing', play],
        ['pause', pause],
        ['ended', pause],
        ['seeked', set],
        ['ratechange', set],
        ['waiting', pause],
    ];
    events.forEach(([name, act]) => leader.addEventListener(name, act));
    follower.addEventListener('loadedmetadata', set);
    if (!leader.paused) {
        play();
    } else {
        set();
    }
    return () => {
        clearInterval(timer);
        events.forEach(([name, act]) => leader.removeEventListener(name, act));
        follower.removeEventListener('loadedmetadata', set);
        follower.pause();
    };
}
