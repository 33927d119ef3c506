/** Joins that are offered, as a join cue says them; others can be typed. */
export const joins = ['cut', 'dissolve, 0.5 s', 'dissolve, 1 s', 'push, 0.6 s', 'dip, 0.6 s', 'dip, 1.2 s'];
