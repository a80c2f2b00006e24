<script lang="ts">
  import { goto } from '$app/navigation';

  void goto('/stores/kilns', { replaceState: true });
</script>
