declare module 'php-for-browsers' {
  export function getPHPLoaderModule(): Promise<import('@php-wasm/universal').PHPLoaderModule>
}
declare module 'php-for-browsers-wasm?url' {
  const url: string
  export default url
}
