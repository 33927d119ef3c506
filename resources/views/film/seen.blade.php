<?php declare(strict_types=1); ?>
<script>
    /** So much of the film has to be seen. */
    const PART = 0.9;
    /** Numbers of the seconds that were seen. */
    const seen = new Set();
    const began = Date.now();
    const isDone = () => film.duration > 0 && seen.size >= PART * Math.floor(film.duration);
    /** Calls back now and then while more of it is seen, and whenever it stops. */
    const whileSeen = (keep) => {
        film.addEventListener('timeupdate', () => {
            const before = seen.size;
            if (!film.paused) {
                seen.add(Math.floor(film.currentTime));
            }
            if (seen.size > before && (isDone() || seen.size % 10 === 0)) {
                keep();
            }
        });
        film.addEventListener('pause', keep);
        film.addEventListener('ended', keep);
    };
</script>
