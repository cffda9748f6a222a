/** Who asks, by the token in their cookie; what Next.js tells of a request, for tests that call pages, actions and routes. */
export const asking = { token: "" };

export const nextHeaders = {
  cookies: async () => ({
    get: (name: string) => (name === "oxbow_session" && asking.token ? { value: asking.token } : undefined),
    set: () => {},
    delete: () => {},
  }),
  headers: async () => new Headers(),
};

/** A redirect ends the call, as in Next.js. */
export const nextNavigation = {
  redirect: (to: string) => {
    throw Object.assign(new Error("redirected"), { redirected: true, to });
  },
  notFound: () => {
    throw Object.assign(new Error("not found"), { redirected: true, to: "not-found" });
  },
  unstable_rethrow: (error: { redirected?: boolean }) => {
    if (error.redirected) throw error;
  },
};
