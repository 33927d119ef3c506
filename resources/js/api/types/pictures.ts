// What is seen.

export type Layout = 'slide-with-inset' | 'side-by-side' | 'slide-alone' | 'camera-alone';

export type Corner = 'top-left' | 'top-right' | 'bottom-left' | 'bottom-right';

export type InsetSize = 'small' | 'medium' | 'large';

export interface Rect {
    x: number;
    y: number;
    width: number;
    height: number;
}

/** What is seen: layers, bottom to top, on a ground. */
export interface Picture {
    frame: { width: number; height: number };
    ground: string;
    layers: Layer[];
}

export interface Layer {
    shows:
        | 'slide'
        | 'card'
        | 'board'
        | 'keys'
        | 'draft-mark'
        | 'label'
        | 'name'
        | 'laid'
        | 'backdrop'
        | 'logo'
        | 'camera'
        | 'screen'
        | 'film'
        | 'marks';
    /** Of a picture that stands, or of a film's first. */
    url: string | null;
    /** A short film on the stage, and how far it is when the shot begins. */
    film?: { url: string; at_ms: number };
    marks: Mark[];
    /** Of a track: what red, green and blue become, from all three and an offset; see core/Picture/Adjustment.php. */
    colours?: number[][] | null;
    /** Where it lies, once it has come to rest, in pixels of the frame. */
    rect: Rect;
    /** Shown whole, or filling its rectangle and cropped evenly. */
    fit: 'whole' | 'filled';
    /** How it is cut out and edged, in pixels of the frame; null for a plain rectangle. */
    edge: { radius: number; border: number; colour: string; shadow: number; drop: number; shade: number } | null;
    /** The part of the source that is shown, in parts of its sides; null for all of it. */
    crop: Rect | null;
    opacity: number;
    /** A move from another place, or from another part of the source (null when that stays), from the shot's first frame on. */
    motion: { from: Rect; frames: number; ease: 'steady' | 'soft'; part: Rect | null } | null;
}

/** Something drawn over a picture for some frames of the shot. */
export type Mark = { from: number; until: number } & Figure;

/** Places are in parts of the picture; radius, line, edge and paths in units of which its height has 10,000. */
export type Figure =
    | ({ kind: 'box'; colour: string } & Rect)
    | { kind: 'outline'; path: string; colour: string; opacity: number }
    | {
          kind: 'ring';
          x: number;
          y: number;
          to_x: number;
          to_y: number;
          opacity: number;
          opacity_to: number;
          colour: string;
          radius: number;
          line: number;
          edge: number;
          edge_colour: string;
      };

/** What a section shows from one of its lines on. */
export interface LinePicture extends Picture {
    from_line: number;
    /** Part of that line already spoken, 0..1. */
    within: number;
    /** What is drawn on it belongs to this; null where there is nothing to draw on. */
    surface: string | null;
    /** Where the stage lies in the frame. */
    stage: Rect | null;
    wants_screen: boolean;
    /** What is to be seen on the screen, in the presenter's words. */
    says: string;
}
