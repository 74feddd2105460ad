<main class="mx-auto max-w-lg p-8">
  <h1>No team yet</h1>
  <p class="my-4">This program has no team that you can open. Ask its head coach to add one.</p>
</main>
