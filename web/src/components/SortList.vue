<script setup lang="ts">
import Sortable from 'sortablejs'
import { onBeforeUnmount, onMounted, ref } from 'vue'

// A list whose members are drawn by hand, within it or onto another of its group. What is drawn is told by its `data-key`;
// the page stays Vue's: the drawn element goes back, and the list is drawn again from its data.
const props = defineProps<{ options: Sortable.Options }>()
const emit = defineEmits<{ dropped: [key: string]; moved: [from: number, to: number] }>()
const list = ref<HTMLElement | null>(null)
let sortable: Sortable | null = null

onMounted(() => {
  sortable = Sortable.create(list.value!, {
    ...props.options,
    onAdd: ({ item }) => {
      item.remove()
      emit('dropped', item.dataset.key!)
    },
    onUpdate: ({ item, from, oldIndex = 0, newIndex = 0 }) => {
      from.insertBefore(item, from.children[newIndex < oldIndex ? oldIndex + 1 : oldIndex] ?? null)
      emit('moved', oldIndex, newIndex)
    }
  })
})
onBeforeUnmount(() => sortable?.destroy())
</script>

<template>
  <div ref="list"><slot /></div>
</template>
