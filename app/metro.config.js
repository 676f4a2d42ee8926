const http = require('node:http');
const { getDefaultConfig } = require('expo/metro-config');
const { withNativeWind } = require('nativewind/metro');

const config = getDefaultConfig(__dirname);

// Development only: /api goes to the Express server, so that both have one origin. The built app does not use this.
const api = new URL(process.env.API_URL ?? 'http://127.0.0.1:4780');
const enhance = config.server?.enhanceMiddleware;
config.server = {
  ...config.server,
  enhanceMiddleware: (middleware, server) => {
    const next = enhance ? enhance(middleware, server) : middleware;
    return (request, response, done) => {
      if (!request.url.startsWith('/api/')) return next(request, response, done);
      const upstream = http.request(
        {
          host: api.hostname,
          port: api.port,
          path: request.url,
          method: request.method,
          headers: { ...request.headers, host: api.host },
        },
        (answer) => {
          response.writeHead(answer.statusCode, answer.headers);
          answer.pipe(response);
        },
      );
      upstream.on('error', (error) => {
        response.statusCode = 502;
        response.end(String(error));
      });
      request.pipe(upstream);
    };
  },
};

module.exports = withNativeWind(config, { input: './global.css', inlineRem: 16 });
