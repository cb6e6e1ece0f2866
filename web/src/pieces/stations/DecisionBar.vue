<template>
  <footer class="bar no-print"><slot /><span class="gap" /><slot name="keys" /></footer>
</template>

<style scoped>
.bar {
  display: flex;
  align-items: center;
  gap: 10px;
  flex-wrap: wrap;
  min-height: 57px;
  padding: 9px 20px;
  background: var(--sunk);
  border-top: 1px solid var(--line);
}
.gap {
  flex: 1;
}
</style>
