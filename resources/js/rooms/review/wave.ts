import WaveSurfer from 'wavesurfer.js';
import RegionsPlugin, { type Region } from 'wavesurfer.js/plugins/regions';

/** The used part of a take, in milliseconds. */
export interface Used {
    from: number;
    until: number;
}

/** The sound wave of a take, bound to the element that plays it, with the used part as a region to drag. */
export class Wave {
    private readonly surfer: WaveSurfer;
    private readonly regions = RegionsPlugin.create();
    private region: Region | null = null;
    private used: Used | null = null;
    /** Before it is drawn, nobody knows where on it the used part lies. */
    private isReady = false;

    /** @param peaks thousandths of full scale, evenly over the take; drawn so that quiet speech can be seen too */
    constructor(
        box: HTMLElement,
        media: HTMLMediaElement,
        peaks: number[],
        lengthMs: number,
        onChange: (used: Used) => void,
    ) {
        const colour = (name: string) => getComputedStyle(box).getPropertyValue(name).trim();
        this.surfer = WaveSurfer.create({
            container: box,
            media,
            height: 84,
            waveColor: colour('--wave'),
            progressColor: colour('--accent'),
            cursorColor: colour('--ink'),
            normalize: false,
            plugins: [this.regions],
            peaks: [peaks.map((peak) => Math.sqrt(peak / 1000))],
            duration: lengthMs / 1000,
        });
        this.regions.on('region-updated', (region) =>
            onChange({ from: Math.round(region.start * 1000), until: Math.round(region.end * 1000) }),
        );
        this.surfer.on('ready', () => {
            this.isReady = true;
            if (this.used) {
                this.show(this.used);
            }
        });
    }

    show(used: Used): void {
        this.used = used;
        if (!this.isReady) {
            return;
        }
        const options = { start: used.from / 1000, end: used.until / 1000 };
        if (this.region) {
            this.region.setOptions(options);
        } else {
            this.region = this.regions.addRegion({ ...options, drag: false, resize: true, color: 'var(--used)' });
        }
    }

    close(): void {
        this.surfer.destroy();
    }
}
