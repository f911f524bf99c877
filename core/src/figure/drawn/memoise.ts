/** Computes once for each object and keeps the result as long as the object lives. */
export function memoise<Key extends object, Value>(compute: (key: Key) => Value): (key: Key) => Value {
  const known = new WeakMap<Key, Value>();
  return (key) => {
    let value = known.get(key);
    if (value === undefined) {
      value = compute(key);
      known.set(key, value);
    }
    return value;
  };
}
