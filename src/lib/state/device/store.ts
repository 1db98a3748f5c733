/** What a device keeps for itself: what was done at the desk, sounds until the studio has them, and days that can be played without a line. */
import { openDB } from 'idb';

/** Rejects where the browser keeps nothing. */
export const openDevice = () =>
  openDB('irvot-desk', 3, {
    upgrade(db, before) {
      if (before < 1) {
        db.createObjectStore('events', { keyPath: 'key', autoIncrement: true });
        db.createObjectStore('device');
      }
      if (before < 2) {
        db.createObjectStore('takes', { keyPath: 'take.id' });
        db.createObjectStore('pieces');
      }
      db.createObjectStore('kits', { keyPath: ['owner', 'auditionId'] });
    },
    // another tab with a newer page goes first; this one opens anew when it is needed
    blocking: (_before, _after, event) => (event.target as IDBDatabase).close()
  });
