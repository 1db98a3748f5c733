<!-- Sign-in name and password: those one has, or new ones. Nothing typed here is kept as a draft. -->
<script lang="ts">
  import Field from './Field.svelte';

  let {
    login = $bindable(),
    password = $bindable(),
    errors,
    isNew = false
  }: {
    login: string;
    password: string;
    errors: { readonly login?: string[] | undefined; readonly password?: string[] | undefined };
    isNew?: boolean;
  } = $props();
</script>

<Field
  id="login"
  name="login"
  label="Sign-in name"
  hint={isNew ? 'Without spaces.' : ''}
  autocomplete="username"
  errors={errors.login}
  bind:value={login}
/>
<Field
  id="password"
  name="password"
  label="Password"
  hint={isNew ? 'At least 12 characters; three or four words make a good one.' : ''}
  type="password"
  autocomplete={isNew ? 'new-password' : 'current-password'}
  errors={errors.password}
  bind:value={password}
/>
