import type { Person } from '$lib/server/app';

declare global {
  namespace App {
    interface Error {
      message: string;
      id?: string;
    }
    interface Locals {
      who: Person;
    }
  }
}

export {};
