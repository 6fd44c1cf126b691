export { PeopleModule } from './people.module.js';
export { DEMO_USER, PeopleService } from './people.service.js';
