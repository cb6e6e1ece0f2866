<template>
  <footer
    class="bar no-print flex items-center gap-2.5 flex-wrap min-h-14 py-2 px-5 bg-sunk border-t border-t-line"
  >
    <slot /><span class="flex-1" /><slot name="keys" />
  </footer>
</template>
