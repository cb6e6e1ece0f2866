<template>
  <svg width="34" height="16" viewBox="0 0 34 16" aria-hidden="true">
    <path
      d="M1 10h7M12 8c2-5 8-5 10 0M26 10h7"
      fill="none"
      stroke="#d98e55"
      stroke-width="2.4"
      stroke-linecap="round"
    />
    <circle cx="10" cy="10" r="2.6" fill="none" stroke="#d98e55" stroke-width="2.2" />
    <circle cx="24" cy="10" r="2.6" fill="#d98e55" stroke="#d98e55" stroke-width="2.2" />
  </svg>
</template>
