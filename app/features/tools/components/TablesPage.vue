<script setup lang="ts">
import { NuxtLink } from '#components'
import { formatIn } from '../../../../core/foundation/quantity'
import { BEAD_TABLE, betaOhms, CONDUCTOR_COLOURS, SUPPLIES, WIRE_SIZES } from '../../../../core/measuring'
import { useUnitSystem } from '../use-unit-system'
import UnitSwitch from './UnitSwitch.vue'

/** What is looked up again and again, each with where it comes from. */
const { system } = useUnitSystem()
const perLength = (ohmsPerMetre: number) =>
  system.value === 'us' ? `${(ohmsPerMetre * 304.8).toPrecision(3)} Ω` : `${(ohmsPerMetre * 1000).toPrecision(3)} Ω`
</script>

<template>
  <main class="page">
    <p class="back"><NuxtLink to="/tools">Tools</NuxtLink></p>
    <div class="row">
      <h1>Tables</h1>
      <span class="push" />
      <UnitSwitch />
    </div>
    <section class="card">
      <h2>Copper wire, one conductor at 20 °C</h2>
      <div class="scroll" tabindex="0" role="group" aria-label="Copper wire">
        <table>
          <thead>
            <tr>
              <th>Size</th>
              <th>Area</th>
              <th>Ohms for {{ system === 'us' ? '1000 ft' : '1 km' }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="w in WIRE_SIZES" :key="w.name">
              <th scope="row">{{ w.name }}</th>
              <td class="number">{{ (w.area * 1e6).toPrecision(3) }} mm²</td>
              <td class="number">{{ perLength(w.ohmsPerMetre) }}</td>
            </tr>
          </tbody>
        </table>
      </div>
      <p class="small soft">
        Gauge by its definition (ASTM B258), resistivity of annealed copper (IEC 60028). There and back is twice as
        much; a warm wire has 0.39 % more for each kelvin.
      </p>
    </section>
    <section class="card">
      <h2>Bead of {{ formatIn(BEAD_TABLE.ohms25, 'resistance', system) }} at 25 °C</h2>
      <div class="scroll" tabindex="0" role="group" aria-label="Thermistor">
        <table>
          <thead>
            <tr>
              <th>Temperature</th>
              <th v-for="b in BEAD_TABLE.betas" :key="b">beta {{ b }} K</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="c in BEAD_TABLE.celsius" :key="c">
              <th scope="row" class="number">{{ formatIn(c, 'temperature', system) }}</th>
              <td v-for="b in BEAD_TABLE.betas" :key="b" class="number">
                {{ formatIn(betaOhms(c, BEAD_TABLE.ohms25, b), 'resistance', system) }}
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <p class="small soft">R = R₂₅ × e^(beta × (1/T − 1/298.15 K)). A machine's own table goes before.</p>
    </section>
    <section class="card">
      <h2>Colours of conductors</h2>
      <div class="scroll" tabindex="0" role="group" aria-label="Colours of conductors">
        <table>
          <thead>
            <tr>
              <th>Where</th>
              <th>Live</th>
              <th>Neutral</th>
              <th>Earth</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="c in CONDUCTOR_COLOURS" :key="c.where">
              <th scope="row">{{ c.where }}</th>
              <td>{{ c.live }}</td>
              <td>{{ c.neutral }}</td>
              <td>{{ c.earth }}</td>
            </tr>
          </tbody>
        </table>
      </div>
      <p class="small soft">
        A colour is a hint and never a proof: a wire is live until it is measured, and inside a machine colours are its
        maker's own.
      </p>
    </section>
    <section class="card">
      <h2>Supplies</h2>
      <div class="scroll" tabindex="0" role="group" aria-label="Supplies">
        <table>
          <thead>
            <tr>
              <th>Supply</th>
              <th>From</th>
              <th>To</th>
              <th>By</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="s in SUPPLIES" :key="s.name">
              <th scope="row">{{ s.name }}</th>
              <td class="number">{{ s.least }} V</td>
              <td class="number">{{ s.most }} V</td>
              <td>{{ s.source }}</td>
            </tr>
          </tbody>
        </table>
      </div>
    </section>
  </main>
</template>

<style scoped>
.back {
  margin: 0;
}
.scroll {
  overflow-x: auto;
}
table {
  border-collapse: collapse;
  width: 100%;
}
th,
td {
  text-align: left;
  font-weight: inherit;
  padding: 0.35rem 0.8rem 0.35rem 0;
  border-bottom: 1px solid var(--line);
  vertical-align: top;
}
thead th {
  font-weight: 700;
}
</style>
