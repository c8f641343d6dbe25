import { NextResponse, type NextRequest } from 'next/server'
import { allowedHosts, isAllowedHost } from './src/server/allowedHosts.ts'

const hosts = allowedHosts(process.env.HOSTS)

/**
 * A content security policy with a fresh nonce for each page: no script or style sheet runs that the page did not
 * bring itself, and nothing is loaded from elsewhere. Style attributes are allowed, since charts place their parts so.
 * Not for the service: what passes here is cut at a size of the framework's own, and has no page.
 */
export function proxy(request: NextRequest): NextResponse {
  if (!isAllowedHost(request.headers.get('host'), hosts)) {
    return new NextResponse('Notchgauge is not known by that host name. Name it in HOSTS to allow it.\n', {
      status: 421,
    })
  }
  const nonce = btoa(crypto.randomUUID())
  const development = process.env.NODE_ENV === 'development'
  const policy = [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'${development ? " 'unsafe-eval'" : ''}`,
    development ? "style-src 'self' 'unsafe-inline'" : `style-src-elem 'self' 'nonce-${nonce}'`,
    "style-src-attr 'unsafe-inline'",
    "img-src 'self' data:",
    "font-src 'self'",
    `connect-src 'self'${development ? ' ws:' : ''}`,
    "worker-src 'self'",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'none'",
    "frame-ancestors 'none'",
  ].join('; ')
  const headers = new Headers(request.headers)
  headers.set('x-nonce', nonce)
  headers.set('content-security-policy', policy)
  const response = NextResponse.next({ request: { headers } })
  response.headers.set('content-security-policy', policy)
  return response
}

export const config = { matcher: [{ source: '/((?!api/|_next/static|_next/image|icon.svg).*)' }] }
