import { theApp } from '$lib/server/context';
import type { LayoutServerLoad } from './$types';

export const load: LayoutServerLoad = ({ locals }) => ({
  who: locals.who.kind === 'nobody' ? null : { kind: locals.who.kind, name: locals.who.name },
  isDemo: theApp().isDemo
});
