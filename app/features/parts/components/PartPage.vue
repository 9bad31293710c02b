<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import Select from 'primevue/select'
import { computed, onMounted, ref } from 'vue'
import { useRouter } from 'vue-router'
import { v7 as uuidv7 } from 'uuid'
import type { z } from 'zod'
import { NuxtLink } from '#components'
import { parseMoney } from '../../../../core/foundation/money'
import { describeStandIn, describeStock, minorUnits } from '../../../../core/words'
import { moveStock, readPart, writePart, type Part, type Store } from '../../../../shared/contracts/parts'
import { listPeople } from '../../../../shared/contracts/people'
import { call } from '../../../data/http'
import { useSession } from '../../session'

/** One part: what it is, what may stand in for it, and where pieces of it lie. */
const props = defineProps<{ id: string; fresh?: boolean }>()
const router = useRouter()
const session = useSession()
const currency = computed(() => session.person?.currency ?? 'EUR')
const mayWrite = computed(() => ['lead', 'technician'].includes(session.person?.role ?? ''))
const part = ref<Part>()
const standIns = ref<z.infer<(typeof readPart)['answer']>['standIns']>([])
const trouble = ref('')
const kept = ref(false)
const stores = ref<{ id: Store; title: string }[]>([{ id: 'shop', title: 'the shop' }])

const FIELDS = [
  { id: 'title', title: 'What it is' },
  { id: 'number', title: 'Number' },
  { id: 'kind', title: 'What sort of part: “inlet coil”' },
  { id: 'kit', title: 'In the kit, semicolons between' },
  { id: 'substitutes', title: 'Numbers that may stand in for it' },
  { id: 'volts', title: 'Volts' },
  { id: 'degrees', title: 'Temperature' },
  { id: 'contact', title: 'Contact' },
  { id: 'thread', title: 'Thread' },
  { id: 'fits', title: 'Sheets that it fits' },
  { id: 'price', title: 'Price' },
  { id: 'reorderAt', title: 'Ordered when so few are in the shop' },
] as const
const written = ref<Record<(typeof FIELDS)[number]['id'], string>>({} as never)
const several = (text: string) =>
  text
    .split(';')
    .map((x) => x.trim())
    .filter(Boolean)

const EMPTY: Part = {
  id: props.id,
  number: '',
  title: '',
  kind: '',
  fits: [],
  kit: [],
  substitutes: [],
  volts: '',
  degrees: '',
  contact: '',
  thread: '',
  priceMinor: null,
  reorderAt: 0,
  retired: false,
  stock: [],
}
function show(own: Part) {
  part.value = own
  const units = minorUnits(currency.value)
  written.value = {
    ...own,
    kit: own.kit.join('; '),
    substitutes: own.substitutes.join('; '),
    fits: own.fits.join('; '),
    price: own.priceMinor === null ? '' : String(own.priceMinor / units),
    reorderAt: String(own.reorderAt),
  }
}
/** What the server says to it stands above the form. */
async function saying(act: () => Promise<void>) {
  try {
    await act()
    trouble.value = ''
  } catch (error) {
    trouble.value = error instanceof Error ? error.message : String(error)
  }
}
onMounted(() =>
  saying(async () => {
    const [{ part: own, standIns: others }, { people }] = await Promise.all([
      props.fresh ? { part: EMPTY, standIns: [] } : call(readPart, { params: { id: props.id } }),
      call(listPeople),
    ])
    show(own)
    standIns.value = others
    stores.value = [...stores.value, ...people.map((p) => ({ id: p.id, title: `the van of ${p.name}` }))]
  }),
)
const price = computed(() => {
  const text = written.value.price?.trim()
  return text ? parseMoney(text, minorUnits(currency.value)) : null
})
const reorder = computed(() =>
  /^\d{1,4}$/.test(written.value.reorderAt?.trim() ?? '') ? Number(written.value.reorderAt) : NaN,
)
const sound = computed(() => price.value !== undefined && (price.value ?? 0) >= 0 && !Number.isNaN(reorder.value))
const keep = () =>
  saying(async () => {
    const { title, number, kind, kit, substitutes, fits, volts, degrees, contact, thread } = written.value
    const answer = await call(writePart, {
      params: { id: props.id },
      body: {
        number,
        title,
        kind,
        kit: several(kit),
        substitutes: several(substitutes),
        fits: several(fits),
        volts,
        degrees,
        contact,
        thread,
        priceMinor: price.value ?? null,
        reorderAt: reorder.value,
        retired: part.value!.retired,
      },
    })
    show(answer.part)
    kept.value = true
    if (props.fresh) await router.replace(`/shop/parts/${props.id}`)
  })

const HOW = [
  { id: 'moved', title: 'moved' },
  { id: 'received', title: 'came in' },
  { id: 'counted', title: 'counted' },
] as const
const how = ref<(typeof HOW)[number]['id']>('moved')
const from = ref<Store>('shop')
const to = ref<Store>('shop')
const count = ref('')
const pieces = computed(() => (/^\d{1,4}$/.test(count.value.trim()) ? Number(count.value) : NaN))
const moves = computed(
  () => pieces.value >= (how.value === 'counted' ? 0 : 1) && (how.value !== 'moved' || from.value !== to.value),
)
/** Sent twice it is one move. */
let move = uuidv7()
const book = () =>
  saying(async () => {
    const body =
      how.value === 'counted'
        ? ({ type: 'counted', id: move, store: to.value, count: pieces.value } as const)
        : how.value === 'received'
          ? ({ type: 'received', id: move, to: to.value, count: pieces.value } as const)
          : ({ type: 'moved', id: move, from: from.value, to: to.value, count: pieces.value } as const)
    show((await call(moveStock, { params: { id: props.id }, body })).part)
    move = uuidv7()
    count.value = ''
  })
</script>

<template>
  <main class="page">
    <h1>{{ fresh ? 'New part' : part ? `${part.number} ${part.title}` : 'Part' }}</h1>
    <p v-if="trouble" role="alert" class="card">{{ trouble }}</p>
    <section v-if="part && !fresh" class="card stack" aria-label="Where they lie">
      <h2>Where they lie</h2>
      <p v-for="s in part.stock" :key="s.store" :class="{ off: s.count < 0 }">
        <strong class="number">{{ s.count }}</strong>
        {{ s.store === 'shop' ? 'in the shop' : `in the van of ${s.name}` }}
        <template v-if="s.count < 0">: more were used than were booked in. Count them.</template>
      </p>
      <p v-if="!part.stock.length" class="soft">None is booked in anywhere.</p>
      <form v-if="session.person?.role !== 'read-only'" class="row" @submit.prevent="moves && book()">
        <InputText v-model="count" class="few" inputmode="numeric" aria-label="How many" placeholder="How many" />
        <Select v-model="how" :options="[...HOW]" option-label="title" option-value="id" aria-label="What happened" />
        <template v-if="how === 'moved'"
          >from
          <Select v-model="from" :options="stores" option-label="title" option-value="id" aria-label="From where" />
          to</template
        >
        <template v-else>{{ how === 'counted' ? 'in' : 'to' }}</template>
        <Select v-model="to" :options="stores" option-label="title" option-value="id" aria-label="To where" />
        <Button type="submit" severity="secondary" :disabled="!moves">Book it</Button>
      </form>
    </section>
    <section v-if="standIns.length" class="card stack" aria-label="What may stand in for it">
      <h2>What may stand in for it</h2>
      <ul class="plain-list">
        <li v-for="s in standIns" :key="s.part.id">
          <NuxtLink :to="`/shop/parts/${s.part.id}`"
            ><strong class="number">{{ s.part.number }}</strong> {{ s.part.title }}</NuxtLink
          >
          <span class="small soft">
            {{ describeStandIn(s.by) }}; {{ describeStock(s.part.stock, session.person?.id) }}</span
          >
        </li>
      </ul>
      <p class="small soft">Look at size, seat and plug as well before it goes in.</p>
    </section>
    <form v-if="part" class="card fields" aria-label="The part" @submit.prevent="sound && keep()">
      <label v-for="f in FIELDS" :key="f.id" class="field"
        ><span class="small">{{ f.title }}</span>
        <InputText
          v-model="written[f.id]"
          :disabled="!mayWrite"
          :invalid="
            (f.id === 'price' && (price === undefined || (price ?? 0) < 0)) ||
            (f.id === 'reorderAt' && Number.isNaN(reorder))
          "
          @update:model-value="kept = false"
        />
      </label>
      <div v-if="mayWrite" class="row">
        <Button type="submit" :disabled="!sound || !written.number?.trim() || !written.title?.trim()">Keep it</Button>
        <span v-if="kept" role="status">Kept.</span>
      </div>
    </form>
  </main>
</template>

<style scoped>
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(16rem, 1fr));
  gap: 0.8rem;
}
.fields > .row {
  grid-column: 1 / -1;
}
.few {
  width: 7rem;
}
.off {
  color: var(--danger);
}
</style>
