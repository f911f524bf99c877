/** What whoever runs the server has set, beside the database: where it is reached, mail, and the school's sign-in. */
export interface Settings {
  /** Where browsers reach the server, such as `https://bogen.ellerbrook.example`; else it is taken from each request. */
  readonly baseUrl?: string;
  /** How mail is sent, as a URL of SMTP, and from whom. */
  readonly mail?: { readonly url: string; readonly from: string };
  /** The school's own sign-in by OpenID Connect. */
  readonly school?: {
    /** What the button says. */
    readonly name: string;
    readonly issuer: string;
    readonly clientId: string;
    readonly clientSecret: string;
    /** Addresses of mail whose owners get an account when they first come, such as `ellerbrook.example`; others must be invited. */
    readonly domains: readonly string[];
    /** Whether the provider may be reached without encryption, for one on this machine. */
    readonly plainHttp?: boolean;
  };
  /** Which proxies are believed what they say of the client; as Express's `trust proxy`. */
  readonly trustProxy?: string | number | boolean;
  /** What programs that watch the server show, to be given its numbers. */
  readonly metricsToken?: string;
}
