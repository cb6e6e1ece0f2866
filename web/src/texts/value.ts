// The kinds of what stands in texts.

/** What is put into a text: a name, or a figure that is written already. */
export type Value = string | number
