declare module '#auth-utils' {
  interface User {
    id: string
    name: string
    organisation: string
    organisationName: string
  }
}
export {}
