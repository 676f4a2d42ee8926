/* global jest */
const { createElement } = require('react');
const { Text } = require('react-native');

// Screens ask the router where they are and send people on: tests see where to.
module.exports = {
  router: { navigate: jest.fn(), replace: jest.fn(), back: jest.fn() },
  usePathname: () => '/',
  useLocalSearchParams: () => ({}),
  Link: ({ href, children, ...rest }) =>
    createElement(Text, { role: 'link', 'aria-label': typeof href === 'string' ? href : undefined, ...rest }, children),
};
