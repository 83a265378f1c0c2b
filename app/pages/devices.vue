<template>
  <div class="screen">
    <DevicesList>
      <template #head="{ answer, add }">
        <header>
          <h1>Which probes and scales are heard?</h1>
          <UButton label="Add a device" icon="i-lucide-plus" @click="add" />
          <p class="basis-full">{{ answer }}</p>
        </header>
      </template>
    </DevicesList>
  </div>
</template>
