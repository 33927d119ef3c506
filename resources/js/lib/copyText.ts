/** Puts a text on the clipboard; fails where a page came without HTTPS, which has none. */
export async function copyText(text: string): Promise<void> {
    await navigator.clipboard.writeText(text);
}
