declare module '*.json?first' {
  const messages: import('@lingui/core').Messages
  export default messages
}

declare module '*.json?more' {
  const messages: import('@lingui/core').Messages
  export default messages
}
