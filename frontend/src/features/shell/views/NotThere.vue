<template>
  <main class="page">
    <div class="sheet empty">
      <h1>Nothing is kept at this address</h1>
      <p>The link may be old. Machines and their drives are found from the list.</p>
      <router-link to="/machines">Go to the machines</router-link>
    </div>
  </main>
</template>
