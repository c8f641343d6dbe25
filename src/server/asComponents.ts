type Json = string | number | boolean | null | readonly Json[] | { readonly [key: string]: Json }

const DEFINITIONS = '#/definitions/'

/**
 * A JSON Schema file as components of an OpenAPI document: the whole under `name`, each of its definitions under a name
 * of its own, `Plan` and `PlanDisk`. An identifier of its own would make references inside it lead elsewhere, so it has
 * none; tools resolve references from the document's root.
 */
export function asComponents(name: string, schema: object): Record<string, Json> {
  const { $schema: _, $id: __, definitions = {}, ...whole } = schema as Record<string, Json>
  const componentOf = (definition: string): string =>
    `${name}${definition.charAt(0).toUpperCase()}${definition.slice(1)}`
  const moved = (value: Json): Json => {
    if (typeof value !== 'object' || value === null) return value
    if (Array.isArray(value)) return value.map(moved)
    return Object.fromEntries(
      Object.entries(value).map(([key, item]) =>
        key === '$ref' && typeof item === 'string' && item.startsWith(DEFINITIONS)
          ? [key, `#/components/schemas/${componentOf(item.slice(DEFINITIONS.length))}`]
          : [key, moved(item)],
      ),
    )
  }
  return {
    [name]: moved(whole),
    ...Object.fromEntries(
      Object.entries(definitions as Record<string, Json>).map(([key, item]) => [
        componentOf(key),
        moved(item),
      ]),
    ),
  }
}
