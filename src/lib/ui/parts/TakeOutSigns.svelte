<script lang="ts">
  let { onclick }: { onclick: () => void } = $props();
</script>

<!-- Pressing it leaves the field where it is. -->
<button type="button" class="font-semibold text-act underline" onmousedown={(event) => event.preventDefault()} {onclick}
  >Take such signs out</button
>
