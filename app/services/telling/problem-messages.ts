// What the page fetches when something is first wrong.
export { messageFor } from 'core/result/words';
