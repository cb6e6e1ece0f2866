<template>
  <p class="soft" aria-busy="true" role="status">Loading…</p>
</template>
