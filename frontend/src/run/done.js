// What was done here and the sheet does not know yet: waiting in the queue, or acknowledged by the server after the sheet was fetched.
export class Done {
  #waiting = new Map();
  #acknowledged = new Map();

  get size() { return this.#all().size; }

  #all() { return new Map([...[...this.#acknowledged].map(([key, { at }]) => [key, at]), ...this.#waiting]); }

  has(key) { return this.#waiting.has(key) || this.#acknowledged.has(key); }

  get(key) { return this.#waiting.get(key) ?? this.#acknowledged.get(key)?.at; }

  // Until it is in the queue nothing that the queue says of others may bring the step back.
  begin(key, at) { this.#acknowledged.set(key, { at, since: Infinity }); }

  // The queue has it now, and says so itself.
  queued(key) {
    if (this.#acknowledged.get(key)?.since === Infinity) this.#acknowledged.delete(key);
  }

  takeBack(key) {
    this.#acknowledged.delete(key);
    this.#waiting.delete(key);
  }

  // What waits now, by step. What waited before and was acknowledged stays done until a sheet that knows of it is here.
  waits(now, acknowledged, at) {
    if (acknowledged) {
      [...this.#waiting].filter(([key]) => !now.has(key)).forEach(([key, then]) => this.#acknowledged.set(key, { at: then, since: at }));
    }
    this.#waiting = now;
  }

  // A sheet is here that was asked for at this time.
  sheet(askedAt) {
    [...this.#acknowledged].filter(([, { since }]) => since <= askedAt).forEach(([key]) => this.#acknowledged.delete(key));
  }
}
