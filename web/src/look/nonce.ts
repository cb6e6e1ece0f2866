// Naive UI adds style elements of its own; under a strict policy each needs the page's nonce.
const nonce = document.querySelector<HTMLMetaElement>('meta[property="csp-nonce"]')?.nonce
if (nonce) {
  const original = document.createElement
  document.createElement = function (this: Document, tag: string, options?: ElementCreationOptions) {
    const element = original.call(this, tag, options)
    if (tag.toLowerCase() === 'style') element.setAttribute('nonce', nonce)
    return element
  } as typeof document.createElement
}
