declare global {
  namespace App {
    interface Locals {
      services: import('$lib/server/compose').Services;
    }
    interface Error {
      message: string;
      code?: string;
      path?: string;
    }
  }
}

export {};
