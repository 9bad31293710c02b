<template><p>Duckweed</p></template>
