/** What a device keeps for itself: what was done at the desk, and sounds until the studio has them. */
import { openDB } from 'idb';

/** Rejects where the browser keeps nothing. */
export const openDevice = () =>
  openDB('irvot-desk', 2, {
    upgrade(db, before) {
      if (before < 1) {
        db.createObjectStore('events', { keyPath: 'key', autoIncrement: true });
        db.createObjectStore('device');
      }
      db.createObjectStore('takes', { keyPath: 'take.id' });
      db.createObjectStore('pieces');
    },
    // another tab with a newer page goes first; this one opens anew when it is needed
    blocking: (_before, _after, event) => (event.target as IDBDatabase).close()
  });
