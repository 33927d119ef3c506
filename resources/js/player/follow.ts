/** Further apart than this, seconds, it is set right; below, setting it right would be seen more than the difference. */
const APART = 0.045;
const EVERY_MS = 250;

/** Where a jump takes longer than this, because what stands by itself is seconds apart, the follower catches up instead. */
const SLOW_JUMP_MS = 150;

/** As long as it is not further behind than this, seconds; and by so much it runs faster or slower meanwhile, at most. */
const CATCHES_UP = 1.5;
const HURRY = 0.15;

/**
 * Lets one element play in step with another.
 *
 * @param late seconds by which the follower's media begin later
 * @returns a way to let go of it
 */
export function follow(leader: HTMLMediaElement, follower: HTMLMediaElement, late: number): () => void {
    const place = () => Math.max(0, leader.currentTime - late);
    let jumped = 0;
    let isSlow = false;
    const arrived = () => {
        isSlow = performance.now() - jumped > SLOW_JUMP_MS;
    };
    const set = () => {
        const late = place() - follower.currentTime;
        const apart = Math.abs(late);
        const catchesUp = isSlow && !leader.paused && !follower.paused && apart < CATCHES_UP;
        const hurry = catchesUp && apart > APART ? Math.max(-HURRY, Math.min(HURRY, late)) : 0;
        follower.playbackRate = leader.playbackRate * (1 + hurry);
        if (!follower.seeking && follower.readyState > 0 && apart > APART && !catchesUp) {
            jumped = performance.now();
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
    follower.addEventListener('seeked', arrived);
    if (!leader.paused) {
        play();
    } else {
        set();
    }
    return () => {
        clearInterval(timer);
        events.forEach(([name, act]) => leader.removeEventListener(name, act));
        follower.removeEventListener('loadedmetadata', set);
        follower.removeEventListener('seeked', arrived);
        follower.pause();
    };
}
