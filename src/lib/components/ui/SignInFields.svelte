<!-- Sign-in name and password: those one has, or new ones. Nothing typed here is kept as a draft. -->
<script lang="ts">
  import TextField from './TextField.svelte';

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

<TextField
  name="login"
  label="Sign-in name"
  hint={isNew ? 'Without spaces.' : ''}
  autocomplete="username"
  errors={errors.login}
  bind:value={login}
/>
<TextField
  name="password"
  label="Password"
  hint={isNew ? 'At least 12 characters; three or four words make a good one.' : ''}
  type="password"
  autocomplete={isNew ? 'new-password' : 'current-password'}
  errors={errors.password}
  bind:value={password}
/>
