/** Only the web has parts that are loaded later. */
export {};
