<script setup lang="ts">
const reload = () => window.location.reload()
</script>

<template>
  <div role="alert">
    <p>This part could not be loaded. The connection may be lost, or Verifex was updated meanwhile.</p>
    <button class="btn line" @click="reload">Load the page again</button>
  </div>
</template>
