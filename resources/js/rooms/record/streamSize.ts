/** The size of the pictures that a stream brings; null as long as it brings none. */
export const sizeOf = (stream: MediaStream | undefined) => {
    const { width = 0, height = 0 } = stream?.getVideoTracks()[0]?.getSettings() ?? {};
    return width > 0 && height > 0 ? { width, height } : null;
};
