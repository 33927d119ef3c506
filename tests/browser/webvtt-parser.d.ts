declare module 'webvtt-parser' {
    class WebVTTParser {
        parse(
            text: string,
            kind: 'captions' | 'chapters',
        ): {
            cues: { startTime: number; endTime: number; text: string }[];
            errors: { line: number; message: string }[];
        };
    }
    export default { WebVTTParser };
}
