import './guest.ts'

// the answer of the server and the page come side by side
void import('./letter.ts')
