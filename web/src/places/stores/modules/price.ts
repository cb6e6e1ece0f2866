// A price as it is typed, 1,20 or 1.20, as the server takes it; none where nothing is typed.
export const priceOf = (text: string) => (text.trim() ? text.trim().replace(',', '.') : null)
