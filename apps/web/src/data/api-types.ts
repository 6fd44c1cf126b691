// Made by npm run api from the server's OpenAPI description; do not edit.
export interface paths {
  readonly '/api/health': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['HealthController_health'];
    readonly put?: never;
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/devices': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['DevicesController_list'];
    readonly put?: never;
    readonly post: operations['DevicesController_add'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/devices/{deviceId}/revoke': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['DevicesController_revoke'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/device/hello': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['DeviceController_hello'];
    readonly put?: never;
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/device/weather': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['DeviceController_weather'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/device/readings': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['DeviceController_reading'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/device/weights': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['DeviceController_weights'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/device/flows': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['DeviceController_flows'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/device/positions': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['DeviceController_positions'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/device/cables': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['DeviceController_cables'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/device/dryer': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['DeviceController_dryer'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/device/levels': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['DeviceController_levels'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/device/bids': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['DeviceController_bids'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/device/motors': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['DeviceController_motors'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/device/names': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['DeviceController_names'];
    readonly put?: never;
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/device/entries': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['DeviceController_entries'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/positions': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['TraceController_positions'];
    readonly put?: never;
    readonly post: operations['PositionsController_tell'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/entries': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['LedgerController_tape'];
    readonly put?: never;
    readonly post: operations['LedgerController_append'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/corrections': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['LedgerController_correct'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/entries/{entryId}': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['LedgerController_entry'];
    readonly put?: never;
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/revisions': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['LedgerController_revisions'];
    readonly put?: never;
    readonly post: operations['LedgerController_revise'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/book': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['LedgerController_book'];
    readonly put?: never;
    readonly post: operations['LedgerController_restore'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/book/check': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['LedgerController_check'];
    readonly put?: never;
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/book/fingerprint': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['LedgerController_fingerprint'];
    readonly put?: never;
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/feed': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['LedgerController_follow'];
    readonly put?: never;
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/auth/me': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['PeopleController_me'];
    readonly put?: never;
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/auth/sign-in': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['PeopleController_signIn'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/auth/demo': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['PeopleController_demo'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/auth/set-up': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['PeopleController_setUp'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/auth/claim': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['PeopleController_claim'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/auth/sign-out': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['PeopleController_signOut'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/settings': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put: operations['FarmSettingsController_change'];
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/members/phones': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['PairedController_all'];
    readonly put?: never;
    readonly post: operations['PairedController_add'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/members/phones/{phoneId}/cut-off': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['PairedController_cutOff'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/jobs/{secret}': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['JobLinkController_shown'];
    readonly put?: never;
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/jobs/{secret}/take': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['JobLinkController_take'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/members': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['MembersController_members'];
    readonly put?: never;
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/members/audit': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['MembersController_audit'];
    readonly put?: never;
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/members/invites': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['MembersController_invites'];
    readonly put?: never;
    readonly post: operations['MembersController_invite'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/members/mail': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['MembersController_mail'];
    readonly put?: never;
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/members/invites/{inviteId}/revoke': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['MembersController_revoke'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/members/{userId}/role': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put: operations['MembersController_role'];
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/members/{userId}/remove': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['MembersController_remove'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/members/{userId}/sign-out': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['MembersController_signOut'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/members/{userId}/password-link': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['MembersController_passwordLink'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/tokens': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['TokensController_tokens'];
    readonly put?: never;
    readonly post: operations['TokensController_add'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/tokens/{tokenId}/revoke': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['TokensController_revoke'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/invites/{secret}': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['InvitesController_shown'];
    readonly put?: never;
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/invites/{secret}/accept': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['InvitesController_accept'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/invites/{secret}/join': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['InvitesController_join'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/invites/{secret}/password': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['InvitesController_password'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/profile': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['ProfileController_profile'];
    readonly put?: never;
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/profile/farms': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['ProfileController_beginFarm'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/profile/name': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put: operations['ProfileController_name'];
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/profile/password': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['ProfileController_password'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/profile/sessions/{sessionId}/end': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['ProfileController_end'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/profile/sessions/end-others': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['ProfileController_others'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/fields/records': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['FieldsRecordsController_all'];
    readonly put?: never;
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/cut/records': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['CutRecordsController_all'];
    readonly put?: never;
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/haul/records': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['HaulRecordsController_all'];
    readonly put?: never;
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/dry/records': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['DryRecordsController_all'];
    readonly put?: never;
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/store/records': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['StoreRecordsController_all'];
    readonly put?: never;
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/sell/records': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['SellRecordsController_all'];
    readonly put?: never;
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/trace/records': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['TraceRecordsController_all'];
    readonly put?: never;
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/shed/records': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['ShedRecordsController_all'];
    readonly put?: never;
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/fields/reading': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['ReadingController_add'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/fields/reading/{id}/void': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['ReadingController_void'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/fields/field-pin': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['FieldPinController_add'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/fields/field-pin/{id}/void': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['FieldPinController_void'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/fields/rows-left': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['RowsLeftController_add'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/fields/rows-left/{id}/void': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['RowsLeftController_void'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/fields/tester-pair': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['TesterPairController_add'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/fields/tester-pair/{id}/void': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['TesterPairController_void'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/fields/next-field-notice': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['NextFieldNoticeController_add'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/fields/next-field-notice/{id}/void': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['NextFieldNoticeController_void'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/cut/settings-entry': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['SettingsEntryController_add'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/cut/settings-entry/{id}/void': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['SettingsEntryController_void'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/cut/loss-check': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['LossCheckController_add'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/cut/loss-check/{id}/void': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['LossCheckController_void'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/cut/strip-trial': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['StripTrialController_add'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/cut/strip-trial/{id}/void': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['StripTrialController_void'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/cut/display-check': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['DisplayCheckController_add'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/cut/display-check/{id}/void': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['DisplayCheckController_void'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/cut/grain-sample': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['GrainSampleController_add'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/cut/grain-sample/{id}/void': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['GrainSampleController_void'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/cut/neighbor-sheets': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['NeighborSheetsController_add'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/cut/neighbor-sheets/{id}/void': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['NeighborSheetsController_void'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/haul/empty-weight': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['EmptyWeightController_add'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/haul/empty-weight/{id}/void': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['EmptyWeightController_void'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/haul/delay': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['DelayController_add'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/haul/delay/{id}/void': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['DelayController_void'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/haul/cover-moved': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['CoverMovedController_add'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/haul/cover-moved/{id}/void': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['CoverMovedController_void'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/haul/alarm-heard': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['AlarmHeardController_add'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/haul/alarm-heard/{id}/void': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['AlarmHeardController_void'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/haul/field-change': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['FieldChangeController_add'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/haul/field-change/{id}/void': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['FieldChangeController_void'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/haul/seen-load': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['SeenLoadController_add'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/haul/seen-load/{id}/void': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['SeenLoadController_void'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/haul/rig-move': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['RigMoveController_add'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/haul/rig-move/{id}/void': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['RigMoveController_void'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/dry/dryer-sample': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['DryerSampleController_add'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/dry/dryer-sample/{id}/void': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['DryerSampleController_void'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/dry/dryer-run': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['DryerRunController_add'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/dry/dryer-run/{id}/void': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['DryerRunController_void'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/dry/grain-temperature': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['GrainTemperatureController_add'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/dry/grain-temperature/{id}/void': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['GrainTemperatureController_void'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/dry/step-heard': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['StepHeardController_add'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/dry/step-heard/{id}/void': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['StepHeardController_void'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/store/fan-switch': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['FanSwitchController_add'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/store/fan-switch/{id}/void': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['FanSwitchController_void'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/store/route-set': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['RouteSetController_add'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/store/route-set/{id}/void': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['RouteSetController_void'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/store/climb': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['ClimbController_add'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/store/climb/{id}/void': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['ClimbController_void'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/sell/contract-load': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['ContractLoadController_add'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/sell/contract-load/{id}/void': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['ContractLoadController_void'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/sell/price-fix': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['PriceFixController_add'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/sell/price-fix/{id}/void': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['PriceFixController_void'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/sell/bid': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['BidController_add'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/sell/bid/{id}/void': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['BidController_void'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/sell/ticket-paper': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['TicketPaperController_add'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/sell/ticket-paper/{id}/void': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['TicketPaperController_void'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/sell/ticket-photo': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['TicketPhotoController_add'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/sell/ticket-photo/{id}/void': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['TicketPhotoController_void'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/haul/display-photo': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['DisplayPhotoController_add'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/haul/display-photo/{id}/void': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['DisplayPhotoController_void'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/haul/display-typed': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['DisplayTypedController_add'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/haul/display-typed/{id}/void': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['DisplayTypedController_void'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/sell/settlement': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['SettlementController_add'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/sell/settlement/{id}/void': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['SettlementController_void'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/sell/statement': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['StatementController_add'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/sell/statement/{id}/void': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['StatementController_void'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/trace/appraisal': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['AppraisalController_add'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/trace/appraisal/{id}/void': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['AppraisalController_void'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/trace/loss-notice': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['LossNoticeController_add'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/trace/loss-notice/{id}/void': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['LossNoticeController_void'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/trace/bin-measurement': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['BinMeasurementController_add'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/trace/bin-measurement/{id}/void': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['BinMeasurementController_void'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/shed/breakdown': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['BreakdownController_add'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/shed/breakdown/{id}/void': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['BreakdownController_void'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/shed/fuel-fill': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['FuelFillController_add'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/shed/fuel-fill/{id}/void': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['FuelFillController_void'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/shed/part-heat': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['PartHeatController_add'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/shed/part-heat/{id}/void': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['PartHeatController_void'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/shed/handover': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['HandoverController_add'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/shed/handover/{id}/void': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['HandoverController_void'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/shed/acknowledgement': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['AcknowledgementController_add'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/shed/acknowledgement/{id}/void': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['AcknowledgementController_void'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/fields/cutting-window/{subject}': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put: operations['CuttingWindowController_change'];
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/fields/next-field-plan/{subject}': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put: operations['NextFieldPlanController_change'];
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/fields/own-crop/{subject}': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put: operations['OwnCropController_change'];
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/fields/field-zone/{subject}': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put: operations['FieldZoneController_change'];
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/cut/combine-profile/{subject}': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put: operations['CombineProfileController_change'];
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/haul/truck-setup/{subject}': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put: operations['TruckSetupController_change'];
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/haul/cover/{subject}': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put: operations['CoverController_change'];
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/haul/scale-setup/{subject}': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put: operations['ScaleSetupController_change'];
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/haul/self-recording/{subject}': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put: operations['SelfRecordingController_change'];
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/haul/weight-rules/{subject}': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put: operations['WeightRulesController_change'];
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/haul/haul-times/{subject}': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put: operations['HaulTimesController_change'];
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/haul/haul-plan/{subject}': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put: operations['HaulPlanController_change'];
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/haul/buyer-facts/{subject}': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put: operations['BuyerFactsController_change'];
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/haul/buyer-roads/{subject}': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put: operations['BuyerRoadsController_change'];
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/haul/rig-road/{subject}': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put: operations['RigRoadController_change'];
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/dry/dryer-setup/{subject}': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put: operations['DryerSetupController_change'];
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/dry/bin-fan/{subject}': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put: operations['BinFanController_change'];
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/dry/fall-air/{subject}': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put: operations['FallAirController_change'];
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/store/bin-setup/{subject}': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put: operations['BinSetupController_change'];
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/store/keeping-rules/{subject}': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put: operations['KeepingRulesController_change'];
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/store/place-state/{subject}': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put: operations['PlaceStateController_change'];
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/store/pile-setup/{subject}': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put: operations['PileSetupController_change'];
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/store/rest-rules/{subject}': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put: operations['RestRulesController_change'];
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/store/bin-cables/{subject}': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put: operations['BinCablesController_change'];
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/store/aeration/{subject}': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put: operations['AerationController_change'];
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/store/site-equipment/{subject}': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put: operations['SiteEquipmentController_change'];
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/sell/contract/{subject}': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put: operations['ContractController_change'];
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/sell/buyer-sheet/{subject}': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put: operations['BuyerSheetController_change'];
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/sell/owner-terms/{subject}': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put: operations['OwnerTermsController_change'];
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/sell/farm-prices/{subject}': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put: operations['FarmPricesController_change'];
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/sell/hedge/{subject}': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put: operations['HedgeController_change'];
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/sell/sell-plan/{subject}': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put: operations['SellPlanController_change'];
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/sell/column-match/{subject}': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put: operations['ColumnMatchController_change'];
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/trace/season-state/{subject}': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put: operations['SeasonStateController_change'];
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/trace/insurance-policy/{subject}': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put: operations['InsurancePolicyController_change'];
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/trace/insurance-unit/{subject}': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put: operations['InsuranceUnitController_change'];
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/trace/file-match/{subject}': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put: operations['FileMatchController_change'];
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/trace/field-boundary/{subject}': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put: operations['FieldBoundaryController_change'];
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/shed/machine/{subject}': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put: operations['MachineController_change'];
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/shed/readiness-template/{subject}': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put: operations['ReadinessTemplateController_change'];
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/shed/season-plan/{subject}': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put: operations['SeasonPlanController_change'];
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/shed/safety-words/{subject}': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put: operations['SafetyWordsController_change'];
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/shed/job-card/{subject}': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put: operations['JobCardController_change'];
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/shed/fuel-tank/{subject}': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put: operations['FuelTankController_change'];
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/shed/part-tree/{subject}': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put: operations['PartTreeController_change'];
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/shed/crew/{subject}': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put: operations['CrewController_change'];
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/shed/changeover/{subject}': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put: operations['ChangeoverController_change'];
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/shed/parts-counters/{subject}': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put: operations['PartsCountersController_change'];
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/header': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['TodayController_header'];
    readonly put?: never;
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/now': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['TodayController_now'];
    readonly put?: never;
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/gaps': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['TodayController_gaps'];
    readonly put?: never;
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/layers': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['TodayController_layers'];
    readonly put?: never;
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/lots': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['FieldsController_lots'];
    readonly put?: never;
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/lots/{lotId}/moistures': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['FieldsController_lotMoistures'];
    readonly put?: never;
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/fields': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['FieldsController_addField'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/seasons': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['FieldsController_beginSeason'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/neighbor-rows': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['FieldsController_addNeighborRows'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/lots/{lotId}/remove': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['FieldsController_removeLot'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/lots/{lotId}': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put: operations['FieldsController_changeField'];
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/weather': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['FieldsController_weather'];
    readonly put?: never;
    readonly post: operations['FieldsController_addWeather'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/monitors': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['CutController_monitors'];
    readonly put?: never;
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/cut/quality': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['CutController_quality'];
    readonly put?: never;
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/years': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['CutController_years'];
    readonly put?: never;
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/haul': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['HaulController_haul'];
    readonly put?: never;
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/haul/weighed': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['HaulController_weighed'];
    readonly put?: never;
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/weigh-tickets': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['HaulController_list'];
    readonly put?: never;
    readonly post: operations['HaulController_weigh'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/live': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['HaulController_follow'];
    readonly put?: never;
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/weigh-tickets/{number}/correction': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['HaulController_correct'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/weigh-tickets/{number}/void': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['HaulController_void'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/weigh-tickets/{number}/pdf': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['HaulController_print'];
    readonly put?: never;
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/wet': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['DryController_wet'];
    readonly put?: never;
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/places/{placeId}/cables': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['StoreController_cablesOf'];
    readonly put?: never;
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/places': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['StoreController_addPlace'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/places/{placeId}': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put: operations['StoreController_changePlace'];
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/places/{placeId}/in-use': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put: operations['StoreController_setInUse'];
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/levels': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['SiteController_levelsNow'];
    readonly put?: never;
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/motors': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['SiteController_list'];
    readonly put?: never;
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/owner-links': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['SharesController_links'];
    readonly put?: never;
    readonly post: operations['SharesController_add'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/owner-links/{linkId}/revoke': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['SharesController_revoke'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/kept-shares': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['SharesController_kept'];
    readonly put?: never;
    readonly post: operations['SharesController_keep'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/kept-shares/{shareId}/drop': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['SharesController_drop'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/grain/{secret}': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['SharedGrainController_shared'];
    readonly put?: never;
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/deliveries': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['SellController_deliveries'];
    readonly put?: never;
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/sell/statements/{statementId}/pdf': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['SellController_statement'];
    readonly put?: never;
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/sell/print/{what}/pdf': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['SellController_print'];
    readonly put?: never;
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/accounts': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['TraceController_accounts'];
    readonly put?: never;
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/lots/{lotId}/trace': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['TraceController_lot'];
    readonly put?: never;
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/lots/{lotId}/statement/pdf': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['TraceController_statement'];
    readonly put?: never;
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/lots/{lotId}/statement/csv': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['TraceController_statementCsv'];
    readonly put?: never;
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/search': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['TraceController_search'];
    readonly put?: never;
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/deliveries/{entryId}/trace': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['TraceController_delivery'];
    readonly put?: never;
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/out/entries': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['OutController_entries'];
    readonly put?: never;
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/out/workbook': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['OutController_workbook'];
    readonly put?: never;
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/out/tables/{table}': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['OutController_table'];
    readonly put?: never;
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/out/geojson': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['OutController_geojson'];
    readonly put?: never;
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/out/taskdata': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['OutController_taskdata'];
    readonly put?: never;
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/out/calendar': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['OutController_calendar'];
    readonly put?: never;
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/out/epcis': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['OutController_epcis'];
    readonly put?: never;
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/origins/{of}/{id}': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['OriginController_origin'];
    readonly put?: never;
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/origins/{of}/{id}/divisions': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['OriginController_divisions'];
    readonly put?: never;
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/origins/{of}/{id}/file': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['OriginController_file'];
    readonly put?: never;
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/origins/{of}/{id}/pdf': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['OriginController_pdf'];
    readonly put?: never;
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/origin-links': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['OriginController_links'];
    readonly put?: never;
    readonly post: operations['OriginController_share'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/origin-links/{linkId}/revoke': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['OriginController_revoke'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/origin/{secret}': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['SharedOriginController_shared'];
    readonly put?: never;
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/insurance': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['InsuranceController_insurance'];
    readonly put?: never;
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/insurance/moved-loads': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['InsuranceController_moved'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/insurance/pdf': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['InsuranceController_pdf'];
    readonly put?: never;
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/imports': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['ImportsController_list'];
    readonly put?: never;
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/imports/fields': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['ImportsController_fields'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/imports/loads': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['ImportsController_loads'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/imports/tickets': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['ImportsController_tickets'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/imports/levels': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['ImportsController_levels'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/imports/weather': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['ImportsController_weather'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/imports/cables': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['ImportsController_cables'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/imports/{importId}/undo': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get?: never;
    readonly put?: never;
    readonly post: operations['ImportsController_undo'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/day': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['DayController_day'];
    readonly put?: never;
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/day/pdf': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['DayController_pdf'];
    readonly put?: never;
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/year/costs': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['YearController_costs'];
    readonly put?: never;
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/year/pdf': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['YearController_pdf'];
    readonly put?: never;
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/photos/{photoId}': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['PhotosController_one'];
    readonly put?: never;
    readonly post: operations['PhotosController_add'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/fuel': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['FuelController_all'];
    readonly put?: never;
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/wheel': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['AtWheelController_today'];
    readonly put?: never;
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/backups': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['BackupController_list'];
    readonly put?: never;
    readonly post: operations['BackupController_keep'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/backups/{name}': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['BackupController_kept'];
    readonly put?: never;
    readonly post?: never;
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
  readonly '/api/farms/{farmId}/backup': {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly get: operations['BackupController_now'];
    readonly put?: never;
    readonly post: operations['BackupController_bring'];
    readonly delete?: never;
    readonly options?: never;
    readonly head?: never;
    readonly patch?: never;
    readonly trace?: never;
  };
}
export type webhooks = Record<string, never>;
export interface components {
  schemas: {
    readonly Account: {
      readonly harvestedDryKg: number;
      readonly restatedDryKg: number;
      readonly lostDryKg: {
        readonly [key: string]: number;
      };
      readonly waterRemovedKg: number;
      readonly inStockDryKg: number;
      readonly deliveredDryKg: number;
    };
    readonly Accounts: {
      readonly [key: string]: components['schemas']['Account'];
    };
    readonly AcknowledgementKept: {
      readonly body: components['schemas']['AcknowledgementRecord'];
      readonly by: string;
      readonly voided: boolean;
    };
    readonly AcknowledgementRecord: {
      readonly id: string;
      /** Format: date-time */
      readonly at: string;
      /** @enum {string} */
      readonly card:
        | 'binEntry'
        | 'headerLock'
        | 'hitching'
        | 'hotBearing'
        | 'lifting'
        | 'overheadLines'
        | 'roading'
        | 'shafts'
        | 'shutDown';
      readonly before: string;
    };
    readonly AerationKept: {
      readonly revision: number;
      readonly value: components['schemas']['AerationRecord'];
    };
    readonly AerationRecord: {
      /** @enum {string} */
      readonly mode: 'always' | 'off' | 'window';
      /** @description K */
      readonly coolBy: number;
      /** @description points */
      readonly mostRewet: number;
      /** @description °C */
      readonly leastCelsius: number;
    };
    readonly AlarmHeardKept: {
      readonly body: components['schemas']['AlarmHeardRecord'];
      readonly by: string;
      readonly voided: boolean;
    };
    readonly AlarmHeardRecord: {
      readonly id: string;
      /** Format: date-time */
      readonly at: string;
      readonly key: string;
      readonly what: string;
    };
    readonly AppendAnswer: {
      readonly seq: number;
      readonly accepted: readonly {
        readonly id: string;
        readonly seq: number;
        readonly known: boolean;
      }[];
      readonly joined: readonly {
        readonly first: string;
        readonly second: string;
      }[];
    };
    readonly Appraisal: components['schemas']['LogOf_def_interface_462761600_477_781_462761600_0_2215_structure_61938389_3588_3863_61938389_3588_3957_61938389_3559_3958_61938389_3559_3995_61938389_3548_3995_61938389_3542_3995_61938389_3402_3996_61938389_0_7450_structure_61938389_3865_3957_61938389_3588_3957_61938389_3559_3958_61938389_3559_3995_61938389_3548_3995_61938389_3542_3995_61938389_3402_3996_61938389_0_7450_structure_61938389_3960_3995_61938389_3559_3995_61938389_3548_3995_61938389_3542_3995_61938389_3402_3996_61938389_0_7450'];
    readonly AppraisalKept: {
      readonly body: components['schemas']['AppraisalRecord'];
      readonly by: string;
      readonly voided: boolean;
    };
    readonly AppraisalRecord: {
      readonly id: string;
      /** Format: date-time */
      readonly at: string;
      readonly unit: string;
      /** @enum {string} */
      readonly why: 'unharvested' | 'uninsured cause';
      /** @description ac */
      readonly acres: number;
      /** @description bu/ac */
      readonly perAcre: number;
      readonly note?: string;
    };
    readonly AtWheelInfo: {
      readonly name: string;
      readonly hours: number;
      readonly sinceMs: number;
      readonly rest: boolean;
    };
    readonly AuditLine: {
      readonly id: string;
      readonly at: string;
      readonly by: string;
      readonly what: string;
      readonly about: string;
    };
    readonly BackupInfo: {
      readonly name: string;
      readonly at: string;
      readonly bytes: number;
    };
    readonly BackupsAnswer: {
      readonly automatic: boolean;
      readonly kept: readonly components['schemas']['BackupInfo'][];
      readonly tooOld: boolean;
      readonly failed: null | string;
    };
    readonly Balance: {
      readonly harvested: number;
      readonly restated: number;
      readonly lost: number;
      readonly inStock: number;
      readonly delivered: number;
      readonly gap: number;
      readonly balances: boolean;
    };
    readonly BidKept: {
      readonly body: components['schemas']['BidRecord'];
      readonly by: string;
      readonly voided: boolean;
    };
    readonly BidRecord: {
      readonly id: string;
      /** Format: date-time */
      readonly at: string;
      /** @description of places */
      readonly buyerId: string;
      /** @enum {string} */
      readonly crop:
        'barley' | 'canola' | 'corn' | 'oats' | 'softWheat' | 'sorghum' | 'soybean' | 'sunflower' | 'wheat';
      /** @description $/bu */
      readonly price?: number;
      /** @description $/bu */
      readonly futures?: number;
      /** @description $/bu */
      readonly basis?: number;
      readonly month?: string;
      /** Format: date */
      readonly from: string;
      /** Format: date */
      readonly until: string;
      /** Format: date */
      readonly validUntil?: string;
    };
    readonly BinCablesKept: {
      readonly revision: number;
      readonly value: components['schemas']['BinCablesRecord'];
    };
    readonly BinCablesRecord: {
      readonly cables: readonly {
        readonly name: string;
        /** @description m */
        readonly fromCenter: number;
        /** @description m */
        readonly lowest: number;
        /** @description m */
        readonly spacing: number;
        readonly sensors: number;
      }[];
    };
    readonly BinFanKept: {
      readonly revision: number;
      readonly value: components['schemas']['BinFanRecord'];
    };
    readonly BinFanRecord: {
      /** @description Pa */
      readonly lowPressure: number;
      /** @description m³/s */
      readonly lowFlow: number;
      /** @description Pa */
      readonly highPressure: number;
      /** @description m³/s */
      readonly highFlow: number;
      readonly between?: readonly {
        /** @description Pa */
        readonly pressure: number;
        /** @description m³/s */
        readonly flow: number;
      }[];
      readonly efficiency: number;
      /** @description kW */
      readonly heater: number;
      /** @description $/kWh */
      readonly powerPrice: number;
      /** @description $/kWh */
      readonly heatPrice: number;
      /** @enum {string} */
      readonly control: 'always' | 'equilibrium' | 'humidity';
      /** @description fraction */
      readonly mostHumidity: number;
      /** @description h */
      readonly stirHours?: number;
    };
    readonly BinMeasurement: components['schemas']['LogOf_def_interface_462761600_477_781_462761600_0_2215_structure_61938389_4747_5223_61938389_4747_5317_61938389_4718_5318_61938389_4718_5355_61938389_4701_5355_61938389_4695_5355_61938389_4599_5356_61938389_0_7450_structure_61938389_5225_5317_61938389_4747_5317_61938389_4718_5318_61938389_4718_5355_61938389_4701_5355_61938389_4695_5355_61938389_4599_5356_61938389_0_7450_structure_61938389_5320_5355_61938389_4718_5355_61938389_4701_5355_61938389_4695_5355_61938389_4599_5356_61938389_0_7450'];
    readonly BinMeasurementKept: {
      readonly body: components['schemas']['BinMeasurementRecord'];
      readonly by: string;
      readonly voided: boolean;
    };
    readonly BinMeasurementRecord: {
      readonly id: string;
      /** Format: date-time */
      readonly at: string;
      /** @description of places */
      readonly placeId: string;
      readonly cropYear: number;
      /** @description m */
      readonly circumference: number;
      /** @description m */
      readonly depth: number;
      /** @description wb fraction */
      readonly moisture: number;
      /** @description lb/bu */
      readonly testWeight: number;
      readonly note?: string;
    };
    readonly BinSetupKept: {
      readonly revision: number;
      readonly value: components['schemas']['BinSetupRecord'];
    };
    readonly BinSetupRecord: {
      /** @description m */
      readonly diameter: number;
      /** @description m */
      readonly eave: number;
      /** @description ° */
      readonly roofDegrees?: number;
      /** @description m */
      readonly hopper: number;
      /** @enum {string} */
      readonly floor?: 'ducts' | 'full perforated' | 'partly perforated' | 'solid';
      /** @enum {string} */
      readonly crop?:
        'barley' | 'canola' | 'corn' | 'oats' | 'softWheat' | 'sorghum' | 'soybean' | 'sunflower' | 'wheat';
      readonly packFactor?: number;
      readonly sideDraw?: boolean;
      /** @description m */
      readonly sideDrawAt?: number;
      readonly sweep?: boolean;
      /** @description bu/h */
      readonly unloadPerHour?: number;
      readonly note?: string;
    };
    readonly Book: {
      readonly defaults: components['schemas']['BookDefaults'];
      readonly lots: readonly components['schemas']['Lot'][];
      readonly places: readonly components['schemas']['Place'][];
      /** @constant */
      readonly format: 'fanega-book';
      /** @enum {number} */
      readonly version: 1 | 2;
      readonly revisions?: readonly components['schemas']['Revision'][];
      readonly entries: readonly components['schemas']['Entry'][];
      readonly chain?: readonly string[];
    };
    readonly BookCheckAnswer: {
      readonly sound: boolean;
      readonly records: number;
      readonly fingerprint: string;
      readonly changed: null | {
        readonly seq: number;
        readonly id: null | string;
        readonly missing: boolean;
      };
      readonly header: readonly string[];
      readonly broken: readonly components['schemas']['BrokenEntry'][];
    };
    readonly BookDefaults: {
      readonly moisture: number;
      readonly trust: readonly string[];
      readonly bases?: {
        readonly [key: string]: number;
      };
      readonly crops?: readonly components['schemas']['OwnCrop'][];
    };
    readonly BookGap: {
      /** @enum {string} */
      readonly what: 'level' | 'missingNumbers' | 'noLoad' | 'noSettlement' | 'noTicket' | 'short';
      readonly id: null | string;
      readonly place: string;
      readonly ticket: null | string;
      readonly count: number;
      readonly money: null | number;
      readonly sinceMs: null | number;
    };
    readonly BreakdownKept: {
      readonly body: components['schemas']['BreakdownRecord'];
      readonly by: string;
      readonly voided: boolean;
    };
    readonly BreakdownRecord: {
      readonly id: string;
      /** Format: date-time */
      readonly at: string;
      /** @description of machines */
      readonly assetId: string;
      readonly what: string;
      /** @enum {string} */
      readonly cause: 'electric' | 'engine' | 'foreign' | 'hydraulic' | 'operator' | 'other' | 'plug' | 'wear';
      /** @description $ */
      readonly cost: number;
      /** @description h */
      readonly hoursLost: number;
      /** @description ac */
      readonly acresLost: number;
      readonly missingSpare: string;
      readonly mended: boolean;
    };
    readonly BrokenEntry: {
      readonly seq: number;
      readonly id: string;
      readonly message: string;
      readonly text: string;
      readonly settled: boolean;
    };
    readonly BrokenRecord: {
      readonly kind: string;
      readonly isLog: boolean;
      readonly id: string;
      readonly at: null | string;
      readonly by: null | string;
      readonly message: string;
    };
    readonly BroughtLine: {
      readonly doing?: string;
      readonly done?: number;
      readonly of?: number;
      readonly entries?: number;
      readonly problem?: string;
    };
    readonly BuyerFactsKept: {
      readonly revision: number;
      readonly value: components['schemas']['BuyerFactsRecord'];
    };
    readonly BuyerFactsRecord: {
      readonly call?: string;
      readonly tester?: string;
      /** @description lb */
      readonly grossLimitLb?: number;
      readonly takes?: readonly ('endDump' | 'hopper' | 'liveFloor' | 'sideDump' | 'wagon')[];
      readonly hours: {
        readonly sun?: {
          readonly closed: boolean;
          /** @description h */
          readonly opens: number;
          /** @description h */
          readonly closes: number;
        };
        readonly mon?: {
          readonly closed: boolean;
          /** @description h */
          readonly opens: number;
          /** @description h */
          readonly closes: number;
        };
        readonly tue?: {
          readonly closed: boolean;
          /** @description h */
          readonly opens: number;
          /** @description h */
          readonly closes: number;
        };
        readonly wed?: {
          readonly closed: boolean;
          /** @description h */
          readonly opens: number;
          /** @description h */
          readonly closes: number;
        };
        readonly thu?: {
          readonly closed: boolean;
          /** @description h */
          readonly opens: number;
          /** @description h */
          readonly closes: number;
        };
        readonly fri?: {
          readonly closed: boolean;
          /** @description h */
          readonly opens: number;
          /** @description h */
          readonly closes: number;
        };
        readonly sat?: {
          readonly closed: boolean;
          /** @description h */
          readonly opens: number;
          /** @description h */
          readonly closes: number;
        };
      };
      readonly exceptions: readonly {
        /** Format: date */
        readonly on: string;
        readonly closed: boolean;
        /** @description h */
        readonly opens: number;
        /** @description h */
        readonly closes: number;
        readonly note?: string;
      }[];
    };
    readonly BuyerRoadsKept: {
      readonly revision: number;
      readonly value: components['schemas']['BuyerRoadsRecord'];
    };
    readonly BuyerRoadsRecord: {
      /** @description km */
      readonly km?: number;
      readonly legs: readonly {
        /** @description of fields */
        readonly from: string;
        /** @description min */
        readonly minutes: number;
        /** @description km */
        readonly km?: number;
      }[];
    };
    readonly BuyerSheetKept: {
      readonly revision: number;
      readonly value: components['schemas']['BuyerSheetRecord'];
    };
    readonly BuyerSheetRecord: {
      /** @description of places */
      readonly buyerId: string;
      /** @enum {string} */
      readonly crop:
        'barley' | 'canola' | 'corn' | 'oats' | 'softWheat' | 'sorghum' | 'soybean' | 'sunflower' | 'wheat';
      /** Format: date */
      readonly from: string;
      /** @description wb fraction */
      readonly base: number;
      /** @enum {string} */
      readonly shrink: 'flat' | 'none' | 'water';
      /** @description % */
      readonly shrinkPerPoint?: number;
      /** @description fraction */
      readonly handling?: number;
      /** @description wb fraction */
      readonly moistureStep?: number;
      /** @enum {string} */
      readonly moistureRounding: 'down' | 'halfUp' | 'up';
      /** @description wb fraction */
      readonly refuseAbove?: number;
      /** @description $ */
      readonly dryingPerPoint?: number;
      /** @description points */
      readonly dryingStep?: number;
      readonly dockage: boolean;
      /** @description fraction */
      readonly foreignMaterialFree?: number;
      /** @enum {string} */
      readonly discountsOn: 'gross' | 'paid';
      readonly factors: readonly {
        /** @enum {string} */
        readonly factor: 'broken' | 'damage' | 'foreignMaterial' | 'heat' | 'moisture' | 'splits' | 'testWeight';
        /** @enum {string} */
        readonly steps: 'proportion' | 'started' | 'whole';
        readonly cumulative: boolean;
        readonly refuseBeyond?: number;
        readonly bands: readonly {
          readonly from: number;
          /** @enum {string} */
          readonly per: 'bushel' | 'percentOfPrice';
          readonly amount: number;
          readonly step?: number;
        }[];
      }[];
      /** @description $/bu */
      readonly feePerBu?: number;
      /** @description % */
      readonly checkoffPercent?: number;
      readonly bushelDecimals: number;
      readonly note?: string;
    };
    readonly CablesAnswer: {
      readonly cables: components['schemas']['CablesNow'] | null;
    };
    readonly CablesNow: {
      readonly sensors: readonly components['schemas']['SensorNow'][];
      readonly mean: null | number;
      readonly warmest: components['schemas']['SensorNow'] | null;
      readonly spots: readonly components['schemas']['SensorNow'][];
      readonly leftOut: readonly components['schemas']['SensorNow'][];
      readonly newestMs: null | number;
      readonly picture: {
        readonly fromMs: number;
        readonly stepMs: number;
        readonly heights: readonly number[];
        readonly celsius: readonly (readonly (null | number)[])[];
      };
      readonly level: null | {
        readonly above: number;
        readonly below: number;
      };
    };
    readonly CalendarEvent: {
      readonly uid: string;
      readonly title: string;
      readonly about: string;
      readonly grain?: {
        readonly bushels: number;
        readonly crop: string;
      };
      readonly from: string;
      readonly until: string;
    };
    readonly ChainRecord:
      | components['schemas']['Entry']
      | {
          readonly id: string;
          readonly at: string;
          readonly by?: string;
          readonly reason: string;
          readonly change: components['schemas']['RevisionChange'];
        };
    readonly ChainedRecord: {
      readonly seq: number;
      readonly before: string;
      readonly link: string;
      readonly record: components['schemas']['ChainRecord'];
    };
    readonly ChangeoverKept: {
      readonly revision: number;
      readonly value: components['schemas']['ChangeoverRecord'];
    };
    readonly ChangeoverRecord: {
      readonly from:
        ('barley' | 'canola' | 'corn' | 'oats' | 'softWheat' | 'sorghum' | 'soybean' | 'sunflower' | 'wheat') | null;
      /** @enum {string} */
      readonly to: 'barley' | 'canola' | 'corn' | 'oats' | 'softWheat' | 'sorghum' | 'soybean' | 'sunflower' | 'wheat';
      readonly done: readonly {
        readonly step: string;
        readonly at: string;
        readonly by: string;
        readonly photo?: string;
        readonly noPhoto?: string;
      }[];
    };
    readonly ClimbKept: {
      readonly body: components['schemas']['ClimbRecord'];
      readonly by: string;
      readonly voided: boolean;
    };
    readonly ClimbRecord: {
      readonly id: string;
      /** Format: date-time */
      readonly at: string;
      /** @description of places */
      readonly placeId: string;
      readonly who: string;
      readonly second: string;
      readonly down: boolean;
    };
    /** @enum {string} */
    readonly ClockStyle: '12' | '24';
    readonly ColumnMatchKept: {
      readonly revision: number;
      readonly value: components['schemas']['ColumnMatchRecord'];
    };
    readonly ColumnMatchRecord: {
      readonly heads: {
        readonly ticket?: string;
        readonly check?: string;
        readonly paidOn?: string;
        readonly contract?: string;
        readonly bushels?: string;
        readonly price?: string;
        readonly taken?: string;
        readonly money?: string;
      };
    };
    readonly CombineProfileKept: {
      readonly revision: number;
      readonly value: components['schemas']['CombineProfileRecord'];
    };
    readonly CombineProfileRecord: {
      /** @enum {string} */
      readonly kind: 'conventional' | 'rotary';
      /** @description m */
      readonly headWidth: number;
      readonly headConfirmed: string;
      /** @description kg/h */
      readonly goodRate: number;
      /** @description m/s */
      readonly speedLimit: number;
      /** @description bu */
      readonly tankBu: number;
      /** @description kg */
      readonly ratedKg?: number;
      /** @description fraction */
      readonly fieldEfficiency: number;
      readonly ranges: {
        readonly rotor?: readonly number[];
        readonly concave?: readonly number[];
        readonly fan?: readonly number[];
        readonly chaffer?: readonly number[];
        readonly sieve?: readonly number[];
        readonly speed?: readonly number[];
        readonly reel?: readonly number[];
        readonly deckPlates?: readonly number[];
        readonly headerHeight?: readonly number[];
        readonly headerDrive?: readonly number[];
        readonly spreader?: readonly number[];
      };
      readonly acceptedLoss?: {
        /** @description kg/ha */
        readonly corn?: number;
        /** @description kg/ha */
        readonly soybean?: number;
        /** @description kg/ha */
        readonly wheat?: number;
        /** @description kg/ha */
        readonly softWheat?: number;
        /** @description kg/ha */
        readonly sorghum?: number;
        /** @description kg/ha */
        readonly oats?: number;
        /** @description kg/ha */
        readonly barley?: number;
        /** @description kg/ha */
        readonly sunflower?: number;
        /** @description kg/ha */
        readonly canola?: number;
      } & {
        readonly [key: string]: number;
      };
      readonly heads?: readonly {
        readonly name: string;
        /** @description m */
        readonly width: number;
        readonly rows?: number;
      }[];
      readonly headOn?: string;
      readonly concaves?: readonly string[];
      readonly sieves?: readonly string[];
    };
    readonly ConditionEntry: {
      readonly id: string;
      readonly at: string;
      readonly recordedAt?: string;
      readonly by?: string;
      readonly device?: string;
      readonly method?: components['schemas']['Method'] | string;
      readonly note?: string;
      /** @constant */
      readonly type: 'condition';
      readonly place: string;
      readonly moisture: number;
      readonly dryLoss?: number;
    };
    readonly ContractKept: {
      readonly revision: number;
      readonly value: components['schemas']['ContractRecord'];
    };
    readonly ContractLoadKept: {
      readonly body: components['schemas']['ContractLoadRecord'];
      readonly by: string;
      readonly voided: boolean;
    };
    readonly ContractLoadRecord: {
      readonly id: string;
      /** Format: date-time */
      readonly at: string;
      readonly entryId: string;
      readonly contractId: string;
      /** @description bu */
      readonly bushels: number;
    };
    readonly ContractRecord: {
      readonly number: string;
      /** @description of places */
      readonly buyerId: string;
      /** @enum {string} */
      readonly crop:
        'barley' | 'canola' | 'corn' | 'oats' | 'softWheat' | 'sorghum' | 'soybean' | 'sunflower' | 'wheat';
      /** @enum {string} */
      readonly kind: 'basisFixed' | 'bothFixed' | 'delayed' | 'flat' | 'futuresFixed' | 'storage';
      /** @description $/bu */
      readonly price?: number;
      /** @description $/bu */
      readonly futures?: number;
      /** @description $/bu */
      readonly basis?: number;
      /** @description $/bu */
      readonly fee?: number;
      /** @description bu */
      readonly bushels: number;
      /** @description bu */
      readonly tolerance?: number;
      /** Format: date */
      readonly opens: string;
      /** Format: date */
      readonly closes: string;
      /** @enum {string} */
      readonly overage: 'contract' | 'next' | 'refused' | 'spot';
      /** @enum {string} */
      readonly counts?: 'all' | 'named' | 'own';
      readonly owners?: readonly string[];
      /** @description $/bu */
      readonly chargePerMonth?: number;
      /** Format: date */
      readonly freeUntil?: string;
      readonly quality?: string;
      readonly changes?: readonly {
        /** Format: date */
        readonly on: string;
        /** @description bu */
        readonly bushels?: number;
        /** Format: date */
        readonly closes?: string;
        /** @description $/bu */
        readonly fee?: number;
        readonly note: string;
      }[];
      readonly done: boolean;
      readonly note?: string;
    };
    readonly CoverKept: {
      readonly revision: number;
      readonly value: components['schemas']['CoverRecord'];
    };
    readonly CoverMovedKept: {
      readonly body: components['schemas']['CoverMovedRecord'];
      readonly by: string;
      readonly voided: boolean;
    };
    readonly CoverMovedRecord: {
      readonly id: string;
      /** Format: date-time */
      readonly at: string;
      /** @description of places */
      readonly placeId: string;
      readonly closed: boolean;
    };
    readonly CoverRecord: {
      /** @enum {string} */
      readonly kind: 'door' | 'lid' | 'sheet' | 'tarp';
      /** @description bu */
      readonly closesUpTo?: number;
      /** @description min */
      readonly minutes: number;
      readonly who: string;
    };
    readonly CrewKept: {
      readonly revision: number;
      readonly value: components['schemas']['CrewRecord'];
    };
    readonly CrewRecord: {
      readonly people: readonly {
        readonly name: string;
        readonly phone: string;
        readonly trainee: boolean;
        readonly vehicle?: string;
      }[];
      readonly call: string;
      /** @description h */
      readonly mostHours: number;
      /** @description h */
      readonly quietFrom?: number;
      /** @description h */
      readonly quietTo?: number;
      /** @description m/s */
      readonly windLine?: number;
      /** @description fraction */
      readonly dewLine?: number;
    };
    readonly CropCosts: {
      readonly crop: string;
      readonly drying: number;
      readonly driedBu: number;
      readonly withoutSetup: number;
      readonly hauling: number;
      readonly hauledBu: number;
      readonly loads: number;
      readonly roadUnknown: number;
      readonly fans: number;
      readonly fanHours: number;
      readonly fansUnknown: number;
      readonly storedBu: number;
      readonly storedAtBuyers: number;
    };
    /** @enum {string} */
    readonly CropId:
      'barley' | 'canola' | 'corn' | 'oats' | 'softWheat' | 'sorghum' | 'soybean' | 'sunflower' | 'wheat';
    readonly CutRecords: {
      readonly of: readonly number[];
      readonly seasons: readonly number[];
      readonly page: number;
      readonly pages: number;
      readonly broken: readonly components['schemas']['BrokenRecord'][];
      readonly logs: {
        readonly settingsEntry: readonly components['schemas']['SettingsEntryKept'][];
        readonly lossCheck: readonly components['schemas']['LossCheckKept'][];
        readonly stripTrial: readonly components['schemas']['StripTrialKept'][];
        readonly displayCheck: readonly components['schemas']['DisplayCheckKept'][];
        readonly grainSample: readonly components['schemas']['GrainSampleKept'][];
        readonly neighborSheets: readonly components['schemas']['NeighborSheetsKept'][];
      };
      readonly settings: {
        readonly combineProfile: {
          readonly [key: string]: components['schemas']['CombineProfileKept'];
        };
      };
    };
    readonly CuttingWindowKept: {
      readonly revision: number;
      readonly value: components['schemas']['CuttingWindowRecord'];
    };
    readonly CuttingWindowRecord: {
      /** @description wb fraction */
      readonly tooDryBelow: number;
      /** @description wb fraction */
      readonly bestFrom: number;
      /** @description wb fraction */
      readonly bestTo: number;
      /** @description wb fraction */
      readonly refuseAbove: number;
      /** @description $/bu */
      readonly price: number;
      /** @description % */
      readonly shrinkPerPoint: number;
      /** @description $ */
      readonly dockPerPoint: number;
      /** @description % */
      readonly dockPercent?: number;
      /** @description points */
      readonly dockStep?: number;
      /** @description h */
      readonly opensAt?: number;
      /** @description h */
      readonly closesAt?: number;
      /** @description fraction */
      readonly shatterPerPoint?: number;
      /** @description fraction */
      readonly standingRisk?: number;
    };
    readonly DayAnswer: {
      readonly report: components['schemas']['DayReport'];
      readonly ahead: readonly components['schemas']['CalendarEvent'][];
      readonly nextLots: readonly string[];
    };
    readonly DayFlow: {
      readonly cut: {
        readonly [key: string]: number;
      };
      readonly haul: {
        readonly [key: string]: number;
      };
      readonly dry: {
        readonly [key: string]: number;
      };
      readonly store: {
        readonly [key: string]: number;
      };
      readonly sell: {
        readonly [key: string]: number;
      };
    };
    readonly DayLine: {
      readonly id: string;
      readonly loads: number;
      readonly wetKg: number;
      readonly bushels: number;
    };
    readonly DayReport: {
      readonly day: string;
      readonly cut: readonly {
        readonly crop: string;
        readonly moisture: number;
        readonly firstAt: string;
        readonly lastAt: string;
        readonly id: string;
        readonly loads: number;
        readonly wetKg: number;
        readonly bushels: number;
      }[];
      readonly hauled: readonly components['schemas']['DayLine'][];
      readonly dried: readonly {
        readonly id: string;
        readonly wetKg: number;
        readonly waterKg: number;
        readonly from: number;
        readonly to: number;
      }[];
      readonly stored: readonly components['schemas']['DayLine'][];
      readonly sold: readonly {
        readonly entryId: string;
        readonly buyerId: string;
        readonly ticket: null | string;
        readonly netKg: number;
        readonly bushels: number;
        readonly moisture: number;
        readonly pricePerBu: null | number;
      }[];
      readonly lost: readonly {
        readonly id: string;
        readonly reason: string;
        readonly wetKg: number;
      }[];
      readonly people: readonly {
        readonly name: string;
        readonly entries: number;
      }[];
    };
    readonly DelayKept: {
      readonly body: components['schemas']['DelayRecord'];
      readonly by: string;
      readonly voided: boolean;
    };
    readonly DelayRecord: {
      readonly id: string;
      /** Format: date-time */
      readonly at: string;
      /** @enum {string} */
      readonly link:
        'bin room' | 'cart' | 'combine' | 'dryer' | 'field' | 'hours' | 'line' | 'pit' | 'trucks' | 'wet bin';
      /** @description min */
      readonly minutes: number;
      /** @description of places */
      readonly machineId?: string;
      readonly reason?: string;
    };
    readonly Delivery: {
      readonly entry: components['schemas']['Entry'];
      readonly to: string;
      readonly from: null | string;
      readonly ticket: null | string;
      readonly grossKg: null | number;
      readonly tareKg: null | number;
      readonly netKg: number;
      readonly dryKg: number;
      readonly moisture: number;
      readonly pricePerBu: null | number;
      readonly lots: {
        readonly [key: string]: number;
      };
      readonly wetLots: {
        readonly [key: string]: number;
      };
      readonly witnesses: readonly components['schemas']['Entry'][];
    };
    readonly DeliveryTraceView: {
      readonly delivery: components['schemas']['Delivery'];
      readonly loads: readonly components['schemas']['TraceLoad'][];
      readonly moves: readonly components['schemas']['TraceLoad'][];
      readonly path: components['schemas']['TracePath'];
      readonly weighed: readonly components['schemas']['WeighedBefore'][];
    };
    readonly DeviceAnswer: {
      readonly deviceId: string;
    };
    readonly DeviceHello: {
      readonly farm: string;
      readonly timeZone: string;
      readonly name: string;
      readonly kind: components['schemas']['DeviceKind'];
      readonly now: string;
    };
    readonly DeviceInfo: {
      readonly id: string;
      readonly name: string;
      readonly kind: components['schemas']['DeviceKind'];
      readonly addedAt: string;
      readonly lastSeen: null | string;
      readonly revoked: boolean;
    };
    /** @enum {string} */
    readonly DeviceKind:
      | 'bids'
      | 'binCables'
      | 'cartScale'
      | 'dryer'
      | 'elevator'
      | 'level'
      | 'monitor'
      | 'motors'
      | 'tester'
      | 'tracker'
      | 'truckScale'
      | 'weather';
    readonly DeviceNames: {
      readonly places: readonly {
        readonly id: string;
        readonly name: string;
        readonly kind: string;
        readonly capacityBu: null | number;
        readonly heldKg: number;
        readonly moisture: null | number;
      }[];
      readonly lots: readonly {
        readonly id: string;
        readonly fieldId: string;
        readonly fieldName: string;
        readonly tag: string;
        readonly crop: string;
        readonly acres: number;
        readonly edge?: readonly {
          readonly lon: number;
          readonly lat: number;
        }[];
      }[];
    };
    readonly DeviceReadingAnswer: {
      readonly readingId: string;
    };
    readonly DisplayArea: {
      readonly m2: number;
      readonly at: string;
    };
    readonly DisplayCheckKept: {
      readonly body: components['schemas']['DisplayCheckRecord'];
      readonly by: string;
      readonly voided: boolean;
    };
    readonly DisplayCheckRecord: {
      readonly id: string;
      /** Format: date-time */
      readonly at: string;
      /** @description of places */
      readonly machineId: string;
      /** @enum {string} */
      readonly crop:
        'barley' | 'canola' | 'corn' | 'oats' | 'softWheat' | 'sorghum' | 'soybean' | 'sunflower' | 'wheat';
      /** @description kg */
      readonly displayKg: number;
      /** @description kg */
      readonly scaleKg: number;
      /** @description kg/s */
      readonly flow?: number;
      readonly note?: string;
    };
    readonly DisplayPhotoKept: {
      readonly body: components['schemas']['DisplayPhotoRecord'];
      readonly by: string;
      readonly voided: boolean;
    };
    readonly DisplayPhotoRecord: {
      readonly id: string;
      /** Format: date-time */
      readonly at: string;
      readonly photo: string;
      /** @description of places */
      readonly placeId: string;
      /** @enum {string} */
      readonly shows: 'scale' | 'tester';
    };
    readonly DisplayTypedKept: {
      readonly body: components['schemas']['DisplayTypedRecord'];
      readonly by: string;
      readonly voided: boolean;
    };
    readonly DisplayTypedRecord: {
      readonly id: string;
      /** Format: date-time */
      readonly at: string;
      readonly displayId: string;
      readonly as: string;
    };
    readonly Division: {
      readonly way: components['schemas']['DivisionWay'];
      readonly lots: {
        readonly [key: string]: number;
      };
      readonly wetLots: {
        readonly [key: string]: number;
      };
      readonly owners: readonly {
        readonly owner: string;
        readonly bushels: number;
      }[];
    };
    /** @enum {string} */
    readonly DivisionWay: 'asSet' | 'firstIn' | 'lastIn' | 'mixed';
    readonly DryRecords: {
      readonly of: readonly number[];
      readonly seasons: readonly number[];
      readonly page: number;
      readonly pages: number;
      readonly broken: readonly components['schemas']['BrokenRecord'][];
      readonly logs: {
        readonly dryerSample: readonly components['schemas']['DryerSampleKept'][];
        readonly dryerRun: readonly components['schemas']['DryerRunKept'][];
        readonly grainTemperature: readonly components['schemas']['GrainTemperatureKept'][];
        readonly stepHeard: readonly components['schemas']['StepHeardKept'][];
      };
      readonly settings: {
        readonly dryerSetup: {
          readonly [key: string]: components['schemas']['DryerSetupKept'];
        };
        readonly binFan: {
          readonly [key: string]: components['schemas']['BinFanKept'];
        };
        readonly fallAir: {
          readonly [key: string]: components['schemas']['FallAirKept'];
        };
      };
    };
    readonly DryerRunKept: {
      readonly body: components['schemas']['DryerRunRecord'];
      readonly by: string;
      readonly voided: boolean;
    };
    readonly DryerRunRecord: {
      readonly id: string;
      /** Format: date-time */
      readonly at: string;
      /** @description of places */
      readonly placeId: string;
      /** Format: date-time */
      readonly until?: string;
      /** @description units */
      readonly fuelUsed?: number;
      readonly note?: string;
    };
    readonly DryerSampleKept: {
      readonly body: components['schemas']['DryerSampleRecord'];
      readonly by: string;
      readonly voided: boolean;
    };
    readonly DryerSampleRecord: {
      readonly id: string;
      /** Format: date-time */
      readonly at: string;
      /** @description of places */
      readonly placeId: string;
      /** @description wb fraction */
      readonly moistureIn?: number;
      /** @description wb fraction */
      readonly moistureOut?: number;
      /** @description °C */
      readonly plenum?: number;
      /** @description bu/h */
      readonly bushelsPerHour?: number;
      /** @description units */
      readonly fuelMeter?: number;
      /** @enum {string} */
      readonly alarm?: 'flame' | 'out of grain' | 'overheat' | 'unload stopped';
      readonly note?: string;
    };
    readonly DryerSetupKept: {
      readonly revision: number;
      readonly value: components['schemas']['DryerSetupRecord'];
    };
    readonly DryerSetupRecord: {
      /** @enum {string} */
      readonly type: 'batch' | 'continuous' | 'in bin' | 'natural air';
      /** @description bu·points/h */
      readonly bushelPointsPerHour: number;
      readonly byPoints?: readonly {
        /** @description points */
        readonly points: number;
        /** @description bu/h */
        readonly bushelsPerHour: number;
      }[];
      /** @description °C */
      readonly mostPlenum?: number;
      /** @description bu/h */
      readonly mostBushelsPerHour?: number;
      /** @enum {string} */
      readonly fuel: 'electric' | 'naturalGas' | 'propane';
      /** @description $ */
      readonly fuelPrice: number;
      /** @description units */
      readonly fuelPerPointBushel: number;
      /** @description kWh */
      readonly kWhPerPointBushel: number;
      /** @description $/kWh */
      readonly powerPrice: number;
      /** @description min */
      readonly refillMin?: number;
      /** @description points */
      readonly mostStep: number;
      /** @description wb fraction */
      readonly dryTo: number;
      /** @description fraction */
      readonly band: number;
      readonly coolsInBin: boolean;
    };
    readonly EmptyWeightKept: {
      readonly body: components['schemas']['EmptyWeightRecord'];
      readonly by: string;
      readonly voided: boolean;
    };
    readonly EmptyWeightRecord: {
      readonly id: string;
      /** Format: date-time */
      readonly at: string;
      /** @description of places */
      readonly machineId: string;
      readonly combination: string;
      readonly axlesKg: readonly number[];
    };
    readonly Entry:
      | components['schemas']['ConditionEntry']
      | components['schemas']['HarvestEntry']
      | components['schemas']['LossEntry']
      | components['schemas']['MeasureEntry']
      | components['schemas']['MoveEntry']
      | components['schemas']['VoidEntry']
      | components['schemas']['WitnessEntry'];
    readonly ErrorAnswer: {
      readonly statusCode: number;
      readonly code: string;
      readonly message: string;
      readonly issues?: readonly components['schemas']['ErrorIssue'][];
      readonly requestId?: string;
    };
    readonly ErrorIssue: {
      readonly index?: number;
      readonly entry?: string;
      readonly field?: string;
      readonly code: string;
      readonly message: string;
    };
    readonly FallAirKept: {
      readonly revision: number;
      readonly value: components['schemas']['FallAirRecord'];
    };
    readonly FallAirRecord: {
      /** @description °C */
      readonly mean: number;
      /** @description K */
      readonly swing: number;
      /** @description fraction */
      readonly humidity: number;
      /** @description K */
      readonly fallsPerWeek: number;
    };
    readonly FanSwitchKept: {
      readonly body: components['schemas']['FanSwitchRecord'];
      readonly by: string;
      readonly voided: boolean;
    };
    readonly FanSwitchRecord: {
      readonly id: string;
      /** Format: date-time */
      readonly at: string;
      /** @description of places */
      readonly placeId: string;
      readonly on: boolean;
    };
    readonly FarmHeaderAnswer: {
      readonly farm: {
        readonly id: string;
        readonly name: string;
        readonly timeZone: string;
        readonly demo: boolean;
        readonly units: components['schemas']['UnitSystem'];
        readonly clock: components['schemas']['ClockStyle'];
        readonly defaults: components['schemas']['BookDefaults'];
      };
      readonly lots: readonly components['schemas']['LotInfo'][];
      readonly places: readonly components['schemas']['PlaceInfo'][];
      readonly topics: {
        readonly header: number;
        readonly store: number;
      };
    };
    readonly FarmNow: {
      readonly seq: number;
      readonly now: number;
      readonly positions: {
        readonly [key: string]: components['schemas']['Position'];
      };
      readonly tape: readonly components['schemas']['TapeLine'][];
      readonly flow: components['schemas']['DayFlow'];
      readonly balance: components['schemas']['Balance'];
      readonly restatedShare: number;
      readonly dried: null | {
        readonly from: number;
        readonly to: number;
      };
      readonly steps: readonly components['schemas']['NextStep'][];
      readonly entries: number;
      readonly broken: number;
      readonly topics: {
        readonly book: number;
        readonly header: number;
        readonly fields: number;
        readonly cut: number;
        readonly haul: number;
        readonly dry: number;
        readonly store: number;
        readonly sell: number;
        readonly trace: number;
        readonly shed: number;
        readonly weather: number;
        readonly devices: number;
      };
    };
    readonly FarmPricesKept: {
      readonly revision: number;
      readonly value: components['schemas']['FarmPricesRecord'];
    };
    readonly FarmPricesRecord: {
      /** @description fraction */
      readonly interest?: number;
      /** @description $/h */
      readonly laborPerHour?: number;
      /** @description $/gal */
      readonly dieselPerGallon?: number;
    };
    readonly FarmSettingsAnswer: {
      readonly units: components['schemas']['UnitSystem'];
      readonly clock: components['schemas']['ClockStyle'];
    };
    readonly FarmVersions: {
      readonly seq: number;
      readonly topics: {
        readonly book: number;
        readonly header: number;
        readonly fields: number;
        readonly cut: number;
        readonly haul: number;
        readonly dry: number;
        readonly store: number;
        readonly sell: number;
        readonly trace: number;
        readonly shed: number;
        readonly weather: number;
        readonly devices: number;
      };
    };
    readonly FieldAdded: {
      readonly fieldId: string;
      readonly lotId: string;
    };
    readonly FieldBoundaryKept: {
      readonly revision: number;
      readonly value: components['schemas']['FieldBoundaryRecord'];
    };
    readonly FieldBoundaryRecord: {
      /** @description of fields */
      readonly field: string;
      readonly points: readonly {
        readonly part: number;
        readonly ring: number;
        /** @description ° */
        readonly lon: number;
        /** @description ° */
        readonly lat: number;
      }[];
    };
    readonly FieldChangeKept: {
      readonly body: components['schemas']['FieldChangeRecord'];
      readonly by: string;
      readonly voided: boolean;
    };
    readonly FieldChangeRecord: {
      readonly id: string;
      /** Format: date-time */
      readonly at: string;
      /** @description of lots */
      readonly lotId: string;
      readonly mixed: readonly string[];
    };
    readonly FieldPinKept: {
      readonly body: components['schemas']['FieldPinRecord'];
      readonly by: string;
      readonly voided: boolean;
    };
    readonly FieldPinRecord: {
      readonly id: string;
      /** Format: date-time */
      readonly at: string;
      /** @description of fields */
      readonly fieldId: string;
      /** @enum {string} */
      readonly kind: 'doublePlanted' | 'lowWire' | 'other' | 'rock' | 'softSpot' | 'washout';
      /** @description ° */
      readonly lon: number;
      /** @description ° */
      readonly lat: number;
      /** @description m */
      readonly accuracy?: number;
      readonly note: string;
      /** @description m */
      readonly warnWithin: number;
    };
    readonly FieldRow: {
      readonly lot: components['schemas']['LotInfo'];
      readonly account: components['schemas']['Account'];
      readonly balance: components['schemas']['Balance'];
      readonly cutWetKg: number;
      readonly cutDryKg: number;
      readonly cutByZone?: readonly components['schemas']['ZoneCut'][];
      readonly lastMoisture: components['schemas']['NewestReading'] | null;
      readonly firstCut: null | string;
      readonly lastCut: null | string;
      readonly displayArea?: components['schemas']['DisplayArea'];
    };
    readonly FieldZoneKept: {
      readonly revision: number;
      readonly value: components['schemas']['FieldZoneRecord'];
    };
    readonly FieldZoneRecord: {
      /** @description of fields */
      readonly fieldId: string;
      readonly season: number;
      readonly name: string;
      /** @enum {string} */
      readonly kind: 'headland' | 'lodged' | 'other' | 'replanted' | 'strip' | 'wet';
      /** @description ac */
      readonly acres: number;
      readonly ring: readonly {
        /** @description ° */
        readonly lon: number;
        /** @description ° */
        readonly lat: number;
      }[];
      readonly variety?: string;
      /** Format: date */
      readonly leaveUntil?: string;
      /** Format: date */
      readonly retestOn?: string;
      /** Format: date */
      readonly cutOn?: string;
      readonly why: string;
      readonly gone?: boolean;
    };
    readonly FieldsImportAnswer: {
      readonly taken: number;
    };
    readonly FieldsRecords: {
      readonly of: readonly number[];
      readonly seasons: readonly number[];
      readonly page: number;
      readonly pages: number;
      readonly broken: readonly components['schemas']['BrokenRecord'][];
      readonly logs: {
        readonly reading: readonly components['schemas']['ReadingKept'][];
        readonly fieldPin: readonly components['schemas']['FieldPinKept'][];
        readonly rowsLeft: readonly components['schemas']['RowsLeftKept'][];
        readonly testerPair: readonly components['schemas']['TesterPairKept'][];
        readonly nextFieldNotice: readonly components['schemas']['NextFieldNoticeKept'][];
      };
      readonly settings: {
        readonly cuttingWindow: {
          readonly [key: string]: components['schemas']['CuttingWindowKept'];
        };
        readonly nextFieldPlan: {
          readonly [key: string]: components['schemas']['NextFieldPlanKept'];
        };
        readonly ownCrop: {
          readonly [key: string]: components['schemas']['OwnCropKept'];
        };
        readonly fieldZone: {
          readonly [key: string]: components['schemas']['FieldZoneKept'];
        };
      };
    };
    readonly FileImportInfo: {
      readonly id: string;
      /** @enum {string} */
      readonly kind: 'cables' | 'fields' | 'levels' | 'loads' | 'tickets' | 'weather';
      readonly file: string;
      readonly by: string;
      readonly at: string;
      readonly taken: number;
      readonly undone: boolean;
    };
    readonly FileMatchKept: {
      readonly revision: number;
      readonly value: components['schemas']['FileMatchRecord'];
    };
    readonly FileMatchRecord: {
      readonly heads: readonly {
        readonly column: string;
        readonly head: string;
      }[];
      /** @enum {string} */
      readonly unit?: 'bushels' | 'kilograms' | 'pounds' | 'tonnes';
      /** @enum {string} */
      readonly degrees?: 'C' | 'F';
      /** @enum {string} */
      readonly wind?: 'kilometers' | 'knots' | 'meters' | 'miles';
      readonly dayFirst?: boolean;
    };
    readonly FingerprintAnswer: {
      readonly seq: null | number;
    };
    readonly FlowMoment: {
      readonly atMs: number;
      readonly flow: number;
      readonly moisture: number;
      readonly speed: number;
      readonly yieldKgPerHa?: number;
      readonly lon?: number;
      readonly lat?: number;
    };
    readonly FuelFillKept: {
      readonly body: components['schemas']['FuelFillRecord'];
      readonly by: string;
      readonly voided: boolean;
    };
    readonly FuelFillRecord: {
      readonly id: string;
      /** Format: date-time */
      readonly at: string;
      /** @description of places */
      readonly placeId: string;
      /** @description gal */
      readonly gallons: number;
      readonly full: boolean;
    };
    readonly FuelInfo: {
      readonly placeId: string;
      readonly state: components['schemas']['FuelState'] | null;
      readonly gallons: number;
      readonly perBushel: null | number;
    };
    readonly FuelState: {
      readonly leftGallons: number;
      readonly burnPerHour: number;
      /** @enum {string} */
      readonly burnBy: 'fills' | 'typed';
      readonly pairs: number;
      readonly workedHours: number;
      readonly hoursLeft: number;
      readonly fillByMs: number;
      readonly fullAtMs: number;
    };
    readonly FuelTankKept: {
      readonly revision: number;
      readonly value: components['schemas']['FuelTankRecord'];
    };
    readonly FuelTankRecord: {
      /** @description gal */
      readonly gallons: number;
      /** @description gal/h */
      readonly burnPerHour?: number;
      /** @description fraction */
      readonly reserve: number;
      /** @description min */
      readonly homeMin?: number;
    };
    readonly GrainSampleKept: {
      readonly body: components['schemas']['GrainSampleRecord'];
      readonly by: string;
      readonly voided: boolean;
    };
    readonly GrainSampleRecord: {
      readonly id: string;
      /** Format: date-time */
      readonly at: string;
      /** @description of places */
      readonly machineId: string;
      /** @description of lots */
      readonly lotId: string;
      /** @enum {string} */
      readonly takenAt: 'screen' | 'tank' | 'tester';
      /** @description % */
      readonly fines?: number;
      /** @description % */
      readonly cracked?: number;
      /** @description % */
      readonly foreign?: number;
      readonly note?: string;
    };
    readonly GrainTemperatureKept: {
      readonly body: components['schemas']['GrainTemperatureRecord'];
      readonly by: string;
      readonly voided: boolean;
    };
    readonly GrainTemperatureRecord: {
      readonly id: string;
      /** Format: date-time */
      readonly at: string;
      /** @description of places */
      readonly placeId: string;
      /** @description °C */
      readonly celsius: number;
      readonly spot?: string;
    };
    readonly GrainWeighed: {
      readonly id: string;
      readonly atMs: number;
      readonly weights: readonly {
        readonly method: string;
        readonly scale: string;
        readonly kg: number;
      }[];
    };
    readonly HandoverKept: {
      readonly body: components['schemas']['HandoverRecord'];
      readonly by: string;
      readonly voided: boolean;
    };
    readonly HandoverRecord: {
      readonly id: string;
      /** Format: date-time */
      readonly at: string;
      /** @description of places */
      readonly placeId: string;
      readonly from: string;
      readonly to: string;
      readonly machine: string;
      readonly promised: string;
    };
    readonly HarvestEntry: {
      readonly id: string;
      readonly at: string;
      readonly recordedAt?: string;
      readonly by?: string;
      readonly device?: string;
      readonly method?: components['schemas']['Method'] | string;
      readonly note?: string;
      /** @constant */
      readonly type: 'harvest';
      readonly lot: string;
      readonly zone?: string;
      readonly to: string;
      readonly wetKg: number;
      readonly moisture: number;
    };
    readonly HaulPlanKept: {
      readonly revision: number;
      readonly value: components['schemas']['HaulPlanRecord'];
    };
    readonly HaulPlanRecord: {
      /** @description of places */
      readonly buyerId?: string;
      /** @description min */
      readonly lineMin: number;
    };
    readonly HaulRecords: {
      readonly of: readonly number[];
      readonly seasons: readonly number[];
      readonly page: number;
      readonly pages: number;
      readonly broken: readonly components['schemas']['BrokenRecord'][];
      readonly logs: {
        readonly emptyWeight: readonly components['schemas']['EmptyWeightKept'][];
        readonly delay: readonly components['schemas']['DelayKept'][];
        readonly coverMoved: readonly components['schemas']['CoverMovedKept'][];
        readonly alarmHeard: readonly components['schemas']['AlarmHeardKept'][];
        readonly fieldChange: readonly components['schemas']['FieldChangeKept'][];
        readonly seenLoad: readonly components['schemas']['SeenLoadKept'][];
        readonly rigMove: readonly components['schemas']['RigMoveKept'][];
        readonly displayPhoto: readonly components['schemas']['DisplayPhotoKept'][];
        readonly displayTyped: readonly components['schemas']['DisplayTypedKept'][];
      };
      readonly settings: {
        readonly truckSetup: {
          readonly [key: string]: components['schemas']['TruckSetupKept'];
        };
        readonly cover: {
          readonly [key: string]: components['schemas']['CoverKept'];
        };
        readonly scaleSetup: {
          readonly [key: string]: components['schemas']['ScaleSetupKept'];
        };
        readonly selfRecording: {
          readonly [key: string]: components['schemas']['SelfRecordingKept'];
        };
        readonly weightRules: {
          readonly [key: string]: components['schemas']['WeightRulesKept'];
        };
        readonly haulTimes: {
          readonly [key: string]: components['schemas']['HaulTimesKept'];
        };
        readonly haulPlan: {
          readonly [key: string]: components['schemas']['HaulPlanKept'];
        };
        readonly buyerFacts: {
          readonly [key: string]: components['schemas']['BuyerFactsKept'];
        };
        readonly buyerRoads: {
          readonly [key: string]: components['schemas']['BuyerRoadsKept'];
        };
        readonly rigRoad: {
          readonly [key: string]: components['schemas']['RigRoadKept'];
        };
      };
    };
    readonly HaulTimesKept: {
      readonly revision: number;
      readonly value: components['schemas']['HaulTimesRecord'];
    };
    readonly HaulTimesRecord: {
      readonly roadMin: {
        readonly [key: string]: number;
      };
      /** @description min */
      readonly loadMin: number;
      /** @description min */
      readonly tarpMin: number;
      /** @description min */
      readonly unloadMin: number;
      readonly othersPerHour: number;
      /** @description bu */
      readonly lidsCloseBu: number;
      /** @description $/h */
      readonly truckCostPerHour?: number;
      /** @description $/km */
      readonly truckCostPerKm?: number;
      /** @description $/h */
      readonly combineCostPerHour?: number;
    };
    readonly HaulView: {
      readonly vehicles: readonly components['schemas']['VehicleNow'][];
      readonly agreed: readonly {
        readonly id: string;
        readonly ticketKg: number;
        readonly cartKg: number;
      }[];
      readonly unticketed: readonly components['schemas']['LostTicket'][];
      readonly times: {
        readonly [key: string]: components['schemas']['OwnTimes'];
      };
      readonly tared: readonly {
        readonly entry: {
          readonly id: string;
          readonly at: string;
        };
        readonly truck: string;
        readonly grossKg: number;
        readonly tareKg: number;
        readonly crop: null | string;
        readonly pricePerBu: null | number;
      }[];
    };
    readonly HedgeKept: {
      readonly revision: number;
      readonly value: components['schemas']['HedgeRecord'];
    };
    readonly HedgeRecord: {
      /** @enum {string} */
      readonly crop:
        'barley' | 'canola' | 'corn' | 'oats' | 'softWheat' | 'sorghum' | 'soybean' | 'sunflower' | 'wheat';
      /** @enum {string} */
      readonly what: 'call' | 'futures' | 'put';
      /** @enum {string} */
      readonly side: 'bought' | 'sold';
      readonly month: string;
      /** @description bu */
      readonly bushels: number;
      /** @description $/bu */
      readonly price: number;
      /** @description $/bu */
      readonly strike?: number;
      /** Format: date */
      readonly on: string;
      /** @description $/bu */
      readonly closedPrice?: number;
      /** Format: date */
      readonly closedOn?: string;
      /** @description $/bu */
      readonly fee?: number;
    };
    /** @enum {string} */
    readonly ImportState: 'different' | 'known' | 'new';
    readonly ImportUndone: {
      readonly undone: number;
    };
    readonly Insurance: {
      readonly units: readonly components['schemas']['UnitProduction'][];
      readonly bins: readonly components['schemas']['MeasuredBin'][];
      readonly notices: readonly components['schemas']['NoticeDue'][];
      readonly withoutPolicy: readonly string[];
      readonly inNoUnit: readonly components['schemas']['LotInfo'][];
      readonly inSeveral: readonly components['schemas']['LotInfo'][];
    };
    readonly InsuranceAnswer: {
      readonly insurance: components['schemas']['Insurance'];
      readonly wrong: readonly components['schemas']['WrongFieldLoad'][];
    };
    readonly InsurancePolicy: components['schemas']['SettingOf_def_interface_462761600_781_1189_462761600_0_2215_structure_61938389_848_2306_61938389_815_2307_61938389_815_2344_61938389_797_2344_61938389_791_2344_61938389_604_2345_61938389_0_7450_structure_61938389_2309_2344_61938389_815_2344_61938389_797_2344_61938389_791_2344_61938389_604_2345_61938389_0_7450'];
    readonly InsurancePolicyKept: {
      readonly revision: number;
      readonly value: components['schemas']['InsurancePolicyRecord'];
    };
    readonly InsurancePolicyRecord: {
      readonly number: string;
      /** @enum {string} */
      readonly crop:
        'barley' | 'canola' | 'corn' | 'oats' | 'softWheat' | 'sorghum' | 'soybean' | 'sunflower' | 'wheat';
      readonly season: number;
      readonly coverage: number;
      /** @description $/bu */
      readonly price: number;
      /** @description wb fraction */
      readonly base: number;
      readonly perTenth?: number;
      readonly moistureFactors?: readonly {
        /** @description wb fraction */
        readonly moisture: number;
        readonly factor: number;
      }[];
      readonly testWeightFactors?: readonly {
        /** @description lb/bu */
        readonly testWeight: number;
        readonly factor: number;
      }[];
      /** @description days */
      readonly noticeDays: number;
      /** @description days */
      readonly noticeAfterEnd: number;
      /** Format: date */
      readonly periodEnds: string;
      readonly agent?: string;
      readonly phone?: string;
    };
    readonly InsuranceUnit: components['schemas']['SettingOf_def_interface_462761600_781_1189_462761600_0_2215_structure_61938389_2625_3224_61938389_2592_3225_61938389_2592_3262_61938389_2576_3262_61938389_2570_3262_61938389_2490_3263_61938389_0_7450_structure_61938389_3227_3262_61938389_2592_3262_61938389_2576_3262_61938389_2570_3262_61938389_2490_3263_61938389_0_7450'];
    readonly InsuranceUnitKept: {
      readonly revision: number;
      readonly value: components['schemas']['InsuranceUnitRecord'];
    };
    readonly InsuranceUnitRecord: {
      readonly policy: string;
      readonly number: string;
      /** @enum {string} */
      readonly kind: 'basic' | 'enterprise' | 'optional';
      readonly lots: readonly string[];
      readonly share: number;
      /** @description ac */
      readonly acres?: number;
      /** @description bu/ac */
      readonly approvedYield: number;
      readonly quality?: number;
    };
    readonly InviteAnswer: {
      readonly id: string;
    };
    readonly InviteInfo: {
      readonly id: string;
      /** @enum {string} */
      readonly kind: 'join' | 'password';
      readonly role: components['schemas']['Role'];
      readonly givenTo: string;
      readonly by: string;
      readonly madeAt: string;
      readonly endsAt: string;
      readonly usedAt: null | string;
      readonly usedBy: null | string;
      readonly revoked: boolean;
    };
    readonly InviteShown: {
      /** @enum {string} */
      readonly kind: 'join' | 'password';
      readonly farm: string;
      readonly role: components['schemas']['Role'];
      readonly by: string;
      readonly givenTo: string;
      readonly email: null | string;
    };
    readonly JobCardKept: {
      readonly revision: number;
      readonly value: components['schemas']['JobCardRecord'];
    };
    readonly JobCardRecord: {
      readonly steps: readonly {
        readonly text: string;
        readonly photo?: string;
      }[];
    };
    /** @enum {string} */
    readonly JobKind: 'bins' | 'gate' | 'machine';
    readonly KeepingRulesKept: {
      readonly revision: number;
      readonly value: components['schemas']['KeepingRulesRecord'];
    };
    readonly KeepingRulesRecord: {
      /** @enum {string} */
      readonly warm: 'cautious' | 'standard';
      /** @enum {string} */
      readonly cool: 'cautious' | 'standard';
      /** @enum {string} */
      readonly slope: 'A' | 'B';
      /** @description points */
      readonly soybeanShift: number;
    };
    readonly KeptShareInfo: {
      readonly id: string;
      readonly farm: string;
      readonly owner: string;
      readonly share: components['schemas']['SharedGrain'] | null;
    };
    readonly Layer: {
      readonly wetKg: number;
      readonly dryKg: number;
      readonly moisture: number;
      readonly lots: {
        readonly [key: string]: number;
      };
      readonly wetLots: {
        readonly [key: string]: number;
      };
    };
    readonly LayersAnswer: {
      readonly seq: number;
      readonly places: {
        readonly [key: string]: {
          readonly mark: string;
          readonly layers: readonly components['schemas']['Layer'][];
        };
      };
    };
    readonly LevelInfo: {
      readonly atMs: number;
      readonly sinceMs: number;
      readonly belowEave: number;
      readonly riseKg: number;
      readonly bookedKg: number;
      readonly differenceKg: number;
      readonly errorKg: number;
      /** @enum {string} */
      readonly answer: 'agrees' | 'less' | 'more';
      readonly placeId: string;
    };
    readonly LinkAnswer: {
      readonly id: string;
    };
    readonly LiveEvent: {
      readonly deviceId: string;
      readonly weights?: readonly {
        readonly atMs: number;
        readonly kg: number;
      }[];
      readonly flows?: readonly components['schemas']['FlowMoment'][];
    };
    readonly LoadStep: {
      readonly from: string;
      readonly to: string;
      readonly wetKg?: number;
      readonly staysKg: number;
    };
    readonly LoadsImportAnswer: {
      readonly states: readonly components['schemas']['ImportState'][];
      readonly taken: number;
    };
    readonly LogAnswer: {
      readonly id: string;
    };
    readonly LogOf_def_interface_462761600_477_781_462761600_0_2215_structure_61938389_3588_3863_61938389_3588_3957_61938389_3559_3958_61938389_3559_3995_61938389_3548_3995_61938389_3542_3995_61938389_3402_3996_61938389_0_7450_structure_61938389_3865_3957_61938389_3588_3957_61938389_3559_3958_61938389_3559_3995_61938389_3548_3995_61938389_3542_3995_61938389_3402_3996_61938389_0_7450_structure_61938389_3960_3995_61938389_3559_3995_61938389_3548_3995_61938389_3542_3995_61938389_3402_3996_61938389_0_7450: components['schemas']['RecordOf_structure_61938389_3588_3863_61938389_3588_3957_61938389_3559_3958_61938389_3559_3995_61938389_3548_3995_61938389_3542_3995_61938389_3402_3996_61938389_0_7450_structure_61938389_3865_3957_61938389_3588_3957_61938389_3559_3958_61938389_3559_3995_61938389_3548_3995_61938389_3542_3995_61938389_3402_3996_61938389_0_7450'];
    readonly LogOf_def_interface_462761600_477_781_462761600_0_2215_structure_61938389_4747_5223_61938389_4747_5317_61938389_4718_5318_61938389_4718_5355_61938389_4701_5355_61938389_4695_5355_61938389_4599_5356_61938389_0_7450_structure_61938389_5225_5317_61938389_4747_5317_61938389_4718_5318_61938389_4718_5355_61938389_4701_5355_61938389_4695_5355_61938389_4599_5356_61938389_0_7450_structure_61938389_5320_5355_61938389_4718_5355_61938389_4701_5355_61938389_4695_5355_61938389_4599_5356_61938389_0_7450: components['schemas']['RecordOf_structure_61938389_4747_5223_61938389_4747_5317_61938389_4718_5318_61938389_4718_5355_61938389_4701_5355_61938389_4695_5355_61938389_4599_5356_61938389_0_7450_structure_61938389_5225_5317_61938389_4747_5317_61938389_4718_5318_61938389_4718_5355_61938389_4701_5355_61938389_4695_5355_61938389_4599_5356_61938389_0_7450'];
    readonly LossCheckKept: {
      readonly body: components['schemas']['LossCheckRecord'];
      readonly by: string;
      readonly voided: boolean;
    };
    readonly LossCheckRecord: {
      readonly id: string;
      /** Format: date-time */
      readonly at: string;
      /** @description of places */
      readonly machineId: string;
      /** @description of lots */
      readonly lotId: string;
      readonly behind: readonly {
        readonly kernels: number;
        /** @description m² */
        readonly area: number;
      }[];
      readonly before: readonly {
        readonly kernels: number;
        /** @description m² */
        readonly area: number;
      }[];
      readonly atHeader: readonly {
        readonly kernels: number;
        /** @description m² */
        readonly area: number;
      }[];
      /** @description fraction */
      readonly unthreshed?: number;
      /** @description g */
      readonly kernelGrams: number;
      /** @description $/bu */
      readonly pricePerBu: number;
      /** @description ac */
      readonly acresLeft?: number;
      /** @description m */
      readonly spreadWidth?: number;
      /** @description m */
      readonly headWidth?: number;
      /** @enum {string} */
      readonly symptom?:
        | 'butts'
        | 'cracked'
        | 'earsBounce'
        | 'fines'
        | 'returns'
        | 'rotorLoss'
        | 'shatterDew'
        | 'shatterDry'
        | 'sieveLoss'
        | 'trash'
        | 'unthreshed';
      readonly settingsId?: string;
    };
    readonly LossEntry: {
      readonly id: string;
      readonly at: string;
      readonly recordedAt?: string;
      readonly by?: string;
      readonly device?: string;
      readonly method?: components['schemas']['Method'] | string;
      readonly note?: string;
      /** @constant */
      readonly type: 'loss';
      readonly place: string;
      readonly wetKg: number;
      readonly reason: string;
    };
    readonly LossNoticeKept: {
      readonly body: components['schemas']['LossNoticeRecord'];
      readonly by: string;
      readonly voided: boolean;
    };
    readonly LossNoticeRecord: {
      readonly id: string;
      /** Format: date-time */
      readonly at: string;
      readonly policy: string;
      readonly cause: string;
      /** Format: date */
      readonly seenOn: string;
      /** Format: date */
      readonly toldOn?: string;
    };
    readonly LostTicket: {
      readonly entry: components['schemas']['Entry'];
      readonly to: string;
      readonly truck: string;
      readonly wetKg: number;
      readonly crop: null | string;
      readonly pricePerBu: null | number;
    };
    readonly Lot: {
      readonly id: string;
    } & {
      readonly [key: string]: unknown;
    };
    readonly LotAnswer: {
      readonly lotId: string;
    };
    readonly LotInfo: {
      readonly id: string;
      readonly fieldId: string;
      readonly fieldName: string;
      readonly acres: number;
      readonly crop: string;
      readonly season: number;
      readonly variety: string;
      readonly tag: string;
      readonly shares: readonly components['schemas']['OwnerShare'][];
    };
    readonly LotTraceView: {
      readonly row: components['schemas']['FieldRow'];
      readonly path: components['schemas']['TracePath'];
      readonly deliveries: readonly {
        readonly delivery: components['schemas']['Delivery'];
        readonly dryKg: number;
        readonly wetKg: number;
      }[];
    };
    readonly MachineKept: {
      readonly revision: number;
      readonly value: components['schemas']['MachineRecord'];
    };
    readonly MachineRecord: {
      /** @enum {string} */
      readonly kind:
        'auger' | 'bin' | 'cart' | 'combine' | 'dryer' | 'fan' | 'header' | 'leg' | 'scale' | 'tester' | 'truck';
      readonly name: string;
      /** @description of places */
      readonly placeId?: string;
      readonly crops?: readonly (
        'barley' | 'canola' | 'corn' | 'oats' | 'softWheat' | 'sorghum' | 'soybean' | 'sunflower' | 'wheat'
      )[];
      readonly retired: boolean;
      /** @description h */
      readonly engineHours: number;
      /** @description h */
      readonly separatorHours: number;
      /** @description ac */
      readonly acres: number;
      readonly items: readonly {
        readonly id: string;
        readonly what: string;
        readonly owner: string;
        readonly due: null | string;
        readonly doneOn: null | string;
        readonly skipped: null | string;
        readonly needed: boolean;
        readonly part: null | {
          readonly name: string;
          readonly onHand: boolean;
          /** @description days */
          readonly leadDays: number;
          readonly orderedOn: null | string;
        };
        /** @enum {string} */
        readonly card?:
          | 'binEntry'
          | 'headerLock'
          | 'hitching'
          | 'hotBearing'
          | 'lifting'
          | 'overheadLines'
          | 'roading'
          | 'shafts'
          | 'shutDown';
      }[];
      readonly services: readonly {
        readonly id: string;
        readonly what: string;
        /** @enum {string} */
        readonly by: 'engine' | 'separator';
        /** @description h */
        readonly everyHours: number;
        /** @description h */
        readonly lastAt: number;
        readonly skipped: number;
      }[];
      readonly wear: readonly {
        readonly id: string;
        readonly name: string;
        readonly position: string;
        /** @description h */
        readonly hoursAtFit: number;
        /** @description ac */
        readonly acresAtFit: number;
        readonly lastsHours: null | number;
        readonly lastsAcres: null | number;
        readonly photos: readonly string[];
      }[];
    };
    readonly MailAnswer: {
      readonly on: boolean;
    };
    readonly Me: {
      readonly user: null | {
        readonly id: string;
        readonly name: string;
        readonly email: string;
      };
      readonly farms: readonly {
        readonly id: string;
        readonly name: string;
        readonly role: components['schemas']['Role'];
        readonly demo: boolean;
        readonly timeZone: string;
      }[];
      readonly firstRun: boolean;
      readonly claim: boolean;
      readonly demo: boolean;
      readonly program: string;
      readonly job: components['schemas']['PairedJob'] | null;
      readonly jobOver: null | {
        readonly label: string;
        readonly cutOff: boolean;
      };
    };
    readonly MeasureEntry: {
      readonly id: string;
      readonly at: string;
      readonly recordedAt?: string;
      readonly by?: string;
      readonly device?: string;
      readonly method?: components['schemas']['Method'] | string;
      readonly note?: string;
      /** @constant */
      readonly type: 'measure';
      readonly place: string;
      readonly wetKg: number;
      readonly moisture?: number;
    };
    readonly MeasuredBin: {
      readonly measurement: components['schemas']['BinMeasurement'];
      readonly at: string;
      readonly by: string;
      readonly volume: number;
      readonly volumeBushels: number;
      readonly testWeightFactor: number;
      readonly moistureFactor: number;
      readonly bushels: number;
      readonly booked: null | number;
      readonly lots: {
        readonly [key: string]: number;
      };
      readonly left: number;
    };
    readonly MemberAnswer: {
      readonly userId: string;
    };
    readonly MemberInfo: {
      readonly userId: string;
      readonly name: string;
      readonly email: string;
      readonly role: components['schemas']['Role'];
      readonly sessions: number;
      readonly seenAt: null | string;
      readonly self: boolean;
    };
    /** @enum {string} */
    readonly Method: 'bridge' | 'cartScale' | 'estimate' | 'monitor' | 'ticket' | 'volume';
    readonly MonitorPair: {
      readonly monitorKg: number;
      readonly scaleKg: number;
      readonly flow?: number;
      readonly id: string;
      readonly lot: string;
      readonly crop: string;
      readonly atMs: number;
    };
    readonly MonitorView: {
      readonly machine: string;
      readonly name: string;
      readonly pairs: readonly components['schemas']['MonitorPair'][];
      readonly only: readonly {
        readonly entry: components['schemas']['HarvestEntry'];
        readonly id: string;
        readonly lot: string;
        readonly crop: string;
        readonly atMs: number;
        readonly monitorKg: number;
        readonly flow?: number;
      }[];
    };
    readonly MotorInfo: components['schemas']['MotorNow'];
    readonly MotorNow: {
      readonly machineId: string;
      readonly running: boolean;
      readonly load: null | number;
      readonly atMs: number;
    };
    readonly MoveEntry: {
      readonly id: string;
      readonly at: string;
      readonly recordedAt?: string;
      readonly by?: string;
      readonly device?: string;
      readonly method?: components['schemas']['Method'] | string;
      readonly note?: string;
      /** @constant */
      readonly type: 'move';
      readonly from: string;
      readonly to: string;
      readonly wetKg?: number;
      readonly emptied?: boolean;
      readonly sideDraw?: boolean;
      readonly moisture?: number;
      readonly ticket?: string;
      readonly grossKg?: number;
      readonly tareKg?: number;
      readonly pricePerBu?: number;
    };
    readonly MovedLoadsAnswer: {
      readonly moved: number;
    };
    readonly NeighborSheetsKept: {
      readonly body: components['schemas']['NeighborSheetsRecord'];
      readonly by: string;
      readonly voided: boolean;
    };
    readonly NeighborSheetsRecord: {
      readonly id: string;
      /** Format: date-time */
      readonly at: string;
      readonly from: string;
      readonly file: string;
      readonly sheets: readonly {
        readonly machine: string;
        /** @enum {string} */
        readonly crop:
          'barley' | 'canola' | 'corn' | 'oats' | 'softWheat' | 'sorghum' | 'soybean' | 'sunflower' | 'wheat';
        readonly variety: string;
        /** @description wb fraction */
        readonly moisture?: number;
        /** @description bu/ac */
        readonly lossBu?: number;
        /** @description % */
        readonly fines?: number;
        /** @description % */
        readonly cracked?: number;
        /** @description % */
        readonly foreign?: number;
        readonly note: string;
        /** @description rpm */
        readonly rotor?: number;
        /** @description mm */
        readonly concave?: number;
        /** @description rpm */
        readonly fan?: number;
        /** @description mm */
        readonly chaffer?: number;
        /** @description mm */
        readonly sieve?: number;
        /** @description m/s */
        readonly speed?: number;
        readonly reel?: number;
        /** @description mm */
        readonly deckPlates?: number;
        /** @description mm */
        readonly headerHeight?: number;
        /** @description rpm */
        readonly headerDrive?: number;
        /** @description rpm */
        readonly spreader?: number;
      }[];
    };
    readonly NewDevice: {
      readonly deviceId: string;
      readonly token: string;
    };
    readonly NewLink: {
      readonly id: string;
      readonly secret: string;
      readonly mailed?: boolean;
    };
    readonly NewToken: {
      readonly id: string;
      readonly token: string;
    };
    readonly NewestReading: {
      readonly moisture: number;
      readonly at: string;
      readonly source: string;
      readonly tester: string;
      readonly hour?: readonly {
        readonly moisture: number;
        readonly tester: string;
      }[];
    };
    readonly NextFieldNoticeKept: {
      readonly body: components['schemas']['NextFieldNoticeRecord'];
      readonly by: string;
      readonly voided: boolean;
    };
    readonly NextFieldNoticeRecord: {
      readonly id: string;
      /** Format: date-time */
      readonly at: string;
      /** @description of lots */
      readonly lotId: string;
      /** @description wb fraction */
      readonly moisture?: number;
      /** @description points */
      readonly step?: number;
      /** @description bu/h */
      readonly dryerBushelsPerHour?: number;
      /** @description h */
      readonly wetBinFullHours?: number;
    };
    readonly NextFieldPlanKept: {
      readonly revision: number;
      readonly value: components['schemas']['NextFieldPlanRecord'];
    };
    readonly NextFieldPlanRecord: {
      readonly school: string;
      readonly weights: {
        readonly [key: string]: number;
      };
      readonly ownOrder: readonly string[];
      readonly facts: {
        readonly [key: string]: {
          readonly standability: number;
          /** @description m */
          readonly distance: number;
          readonly maturity?: number;
          /** @description kg/ha */
          readonly yieldKgPerHa?: number;
          /** @description points/day */
          readonly pointsPerDay?: number;
          /** @description m */
          readonly passLength?: number;
        };
      };
      /** @description points */
      readonly mostStep: number;
      /** @description bu·points/h */
      readonly bushelPointsPerHour: number;
      /** @description wb fraction */
      readonly dryTo: number;
      /** @description bu/h */
      readonly combineBushelsPerHour?: number;
    };
    readonly NextStep:
      | {
          /** @constant */
          readonly kind: 'crops_mixed';
          readonly place: string;
          readonly crops: readonly string[];
          readonly bushels: readonly number[];
        }
      | {
          /** @constant */
          readonly kind: 'level_differs';
          readonly place: string;
          readonly entry: string;
          readonly share: number;
          readonly wetKg: number;
        }
      | {
          /** @constant */
          readonly kind: 'maybe_twins';
          readonly first: string;
          readonly second: string;
          readonly share: null | number;
        }
      | {
          /** @constant */
          readonly kind: 'unknown_grain';
          readonly place: string;
          readonly dryKg: number;
        }
      | {
          /** @enum {string} */
          readonly kind: 'cart_full' | 'dryer_holds' | 'tank_full' | 'truck_waits' | 'wet_bin_fills';
          readonly place: string;
          readonly load?: components['schemas']['LoadStep'];
        };
    readonly NoticeDue: {
      readonly policyId: string;
      /** @enum {string} */
      readonly what: 'end' | 'loss';
      readonly noticeId: null | string;
      readonly cause: string;
      readonly by: string;
      readonly days: number;
    };
    readonly Origin: {
      readonly subject: components['schemas']['OriginSubject'];
      readonly name: string;
      readonly ticket: null | string;
      readonly to: string;
      readonly at: string;
      readonly crop: null | string;
      readonly wetKg: number;
      readonly dryKg: number;
      readonly moisture: null | number;
      readonly method: null | string;
      readonly fields: readonly components['schemas']['OriginField'][];
      readonly loads: readonly components['schemas']['OriginLoad'][];
      readonly maybe: readonly {
        readonly lot: string;
        readonly name: string;
      }[];
      readonly through: readonly {
        readonly id: string;
        readonly name: string;
        readonly kind: string;
      }[];
      readonly entries: readonly string[];
      readonly methods: {
        readonly [key: string]: number;
      };
    };
    readonly OriginField: {
      readonly lot: string;
      readonly name: string;
      readonly crop: null | string;
      readonly season: null | number;
      readonly variety: string;
      readonly dryKg: number;
      readonly wetKg: number;
      readonly part: number;
      readonly sure: components['schemas']['OriginSure'];
      readonly exactPart: number;
      readonly loads: number;
      readonly firstAt: null | string;
      readonly lastAt: null | string;
      readonly moisture: null | number;
    };
    readonly OriginFile: {
      /** @constant */
      readonly format: 'fanega-origin';
      /** @constant */
      readonly version: 1;
      readonly farm: string;
      readonly timeZone: string;
      readonly origin: components['schemas']['Origin'];
      readonly seq: number;
      readonly link: string;
      readonly records: readonly components['schemas']['ChainedRecord'][];
    };
    readonly OriginLinkInfo: {
      readonly id: string;
      readonly givenTo: string;
      readonly by: string;
      readonly madeAt: string;
      readonly endsAt: null | string;
      readonly opened: number;
      readonly openedAt: null | string;
      readonly revoked: boolean;
      /** @enum {string} */
      readonly kind: 'delivery' | 'place';
      readonly subject: string;
    };
    readonly OriginLoad: {
      readonly id: string;
      readonly at: string;
      readonly lot: string;
      readonly field: string;
      readonly into: string;
      readonly dryKg: number;
      readonly part: number;
      readonly moisture: number;
      readonly method: string;
      readonly by: string;
      readonly sure: components['schemas']['OriginSure'];
    };
    /** @enum {string} */
    readonly OriginStands: 'changed' | 'gone' | 'same';
    readonly OriginSubject:
      | {
          /** @constant */
          readonly kind: 'delivery';
          readonly id: string;
        }
      | {
          /** @constant */
          readonly kind: 'place';
          readonly id: string;
        };
    /** @enum {string} */
    readonly OriginSure: 'exact' | 'mixing' | 'unknown';
    readonly OwnCrop: {
      readonly insuredMoisture?: number;
      readonly kernelGrams?: number;
      readonly reposeDegrees?: number;
      readonly id: string;
      readonly name: string;
      readonly short: string;
      readonly like: components['schemas']['CropId'];
      readonly legalPounds: number;
      readonly baseMoisture: number;
      readonly testWeight: number;
      readonly putAway?: boolean;
    };
    readonly OwnCropKept: {
      readonly revision: number;
      readonly value: components['schemas']['OwnCropRecord'];
    };
    readonly OwnCropRecord: {
      readonly name: string;
      readonly short: string;
      /** @enum {string} */
      readonly like:
        'barley' | 'canola' | 'corn' | 'oats' | 'softWheat' | 'sorghum' | 'soybean' | 'sunflower' | 'wheat';
      /** @description lb/bu */
      readonly legalPounds: number;
      /** @description wb fraction */
      readonly baseMoisture: number;
      /** @description lb/bu */
      readonly testWeight: number;
      /** @description wb fraction */
      readonly insuredMoisture?: number;
      /** @description g */
      readonly kernelGrams?: number;
      /** @description ° */
      readonly reposeDegrees?: number;
      readonly putAway?: boolean;
    };
    readonly OwnTimes: {
      readonly rounds: number;
      readonly toTicket: {
        readonly mean: number;
        readonly cv: number;
      };
      readonly trips: readonly {
        readonly atMs: number;
        readonly minutes: number;
      }[];
      readonly back: null | {
        readonly mean: number;
        readonly cv: number;
      };
    };
    readonly OwnerLinkInfo: {
      readonly id: string;
      readonly givenTo: string;
      readonly by: string;
      readonly madeAt: string;
      readonly endsAt: null | string;
      readonly opened: number;
      readonly openedAt: null | string;
      readonly revoked: boolean;
      readonly owner: string;
    };
    readonly OwnerShare: {
      readonly owner: string;
      readonly part: number;
    };
    readonly OwnerTermsKept: {
      readonly revision: number;
      readonly value: components['schemas']['OwnerTermsRecord'];
    };
    readonly OwnerTermsRecord: {
      readonly owner: string;
      /** @enum {string} */
      readonly kind: 'cash' | 'share';
      /** @enum {string} */
      readonly price: 'asSold' | 'pooled' | 'ticket';
      /** @description $/bu */
      readonly haulingPerBu?: number;
      /** @enum {string} */
      readonly docksBorneBy: 'farm' | 'owner';
      /** @description $ */
      readonly rent?: number;
      readonly note?: string;
    };
    readonly OwnersGrain: {
      readonly owner: string;
      readonly season: null | number;
      readonly lies: readonly components['schemas']['OwnersPart'][];
      readonly delivered: readonly {
        readonly loads: number;
        readonly placeId: string;
        readonly name: string;
        readonly kind: string;
        readonly crop: string;
        readonly wetKg: number;
        readonly dryKg: number;
        readonly moisture: null | number;
        readonly ofWetKg: number;
        readonly fields: readonly string[];
      }[];
    };
    readonly OwnersPart: {
      readonly placeId: string;
      readonly name: string;
      readonly kind: string;
      readonly crop: string;
      readonly wetKg: number;
      readonly dryKg: number;
      readonly moisture: null | number;
      readonly ofWetKg: number;
      readonly fields: readonly string[];
    };
    readonly PairShown: {
      readonly farm: string;
      readonly label: string;
      readonly kind: components['schemas']['JobKind'];
      readonly place: null | string;
      readonly by: string;
      readonly endsAt: string;
    };
    readonly PairedInfo: {
      readonly id: string;
      readonly kind: components['schemas']['JobKind'];
      readonly placeId: null | string;
      readonly label: string;
      readonly by: string;
      readonly madeAt: string;
      readonly endsAt: string;
      readonly pairedAt: null | string;
      readonly driver: null | string;
      readonly device: string;
      readonly seenAt: null | string;
      readonly cutOff: boolean;
    };
    readonly PairedJob: {
      readonly farmId: string;
      readonly kind: components['schemas']['JobKind'];
      readonly placeId: null | string;
      readonly label: string;
      readonly driver: string;
      readonly endsAt: string;
    };
    readonly PartHeatKept: {
      readonly body: components['schemas']['PartHeatRecord'];
      readonly by: string;
      readonly voided: boolean;
    };
    readonly PartHeatRecord: {
      readonly id: string;
      /** Format: date-time */
      readonly at: string;
      /** @description of places */
      readonly placeId: string;
      readonly part: string;
      /** @description °C */
      readonly celsius?: number;
      /** @description °C */
      readonly airCelsius?: number;
      /** @enum {string} */
      readonly feels?: 'cool' | 'tooHotToHold' | 'warm';
      readonly noticed: string;
      readonly greased: boolean;
    };
    readonly PartTreeKept: {
      readonly revision: number;
      readonly value: components['schemas']['PartTreeRecord'];
    };
    readonly PartTreeRecord: {
      readonly hangs: readonly {
        readonly part: string;
        readonly on: string;
      }[];
    };
    readonly PartsCountersKept: {
      readonly revision: number;
      readonly value: components['schemas']['PartsCountersRecord'];
    };
    readonly PartsCountersRecord: {
      readonly counters: readonly {
        readonly name: string;
        readonly phone: string;
        /** @description min */
        readonly roadMin: number;
        /** @description h */
        readonly opens?: number;
        /** @description h */
        readonly closes?: number;
        /** @description h */
        readonly saturdayOpens?: number;
        /** @description h */
        readonly saturdayCloses?: number;
        /** @description h */
        readonly sundayOpens?: number;
        /** @description h */
        readonly sundayCloses?: number;
      }[];
    };
    readonly PhotoInfo: {
      readonly photoId: string;
      readonly width: number;
      readonly height: number;
    };
    readonly PileSetupKept: {
      readonly revision: number;
      readonly value: components['schemas']['PileSetupRecord'];
    };
    readonly PileSetupRecord: {
      /** @enum {string} */
      readonly base: 'asphalt' | 'concrete' | 'gravel' | 'ground';
      /** @enum {string} */
      readonly cover: 'none' | 'tarp';
      readonly aired: boolean;
      /** @description m */
      readonly width?: number;
      readonly note?: string;
    };
    readonly Place: {
      readonly id: string;
      readonly kind?: string;
      readonly withdrawal?: components['schemas']['Withdrawal'];
    } & {
      readonly [key: string]: unknown;
    };
    readonly PlaceAnswer: {
      readonly placeId: string;
    };
    readonly PlaceInfo: {
      readonly id: string;
      readonly name: string;
      readonly kind: string;
      readonly withdrawal: string;
      readonly capacityBu: null | number;
      readonly capacityByGeometry?: boolean;
      readonly diameterM: null | number;
      readonly eaveM: null | number;
      readonly hopperM: null | number;
      readonly reservedFor?: null | string;
      readonly putAway?: boolean;
    };
    readonly PlaceStateKept: {
      readonly revision: number;
      readonly value: components['schemas']['PlaceStateRecord'];
    };
    readonly PlaceStateRecord: {
      /** Format: date-time */
      readonly outFrom?: string;
      /** Format: date-time */
      readonly outUntil?: string;
      readonly why?: string;
      readonly note?: string;
    };
    readonly Position: {
      readonly wetKg: number;
      readonly dryKg: number;
      readonly moisture: null | number;
      readonly layers: number;
      readonly lots: {
        readonly [key: string]: number;
      };
      readonly wetLots: {
        readonly [key: string]: number;
      };
    };
    readonly Positions: {
      readonly [key: string]: components['schemas']['Position'];
    };
    readonly PriceFixKept: {
      readonly body: components['schemas']['PriceFixRecord'];
      readonly by: string;
      readonly voided: boolean;
    };
    readonly PriceFixRecord: {
      readonly id: string;
      /** Format: date-time */
      readonly at: string;
      readonly contractId: string;
      /** @enum {string} */
      readonly part: 'basis' | 'cash' | 'futures';
      /** @description $/bu */
      readonly price: number;
      /** @description bu */
      readonly bushels: number;
      /** @description $/bu */
      readonly fee?: number;
      readonly note?: string;
    };
    readonly ProfileAnswer: {
      readonly name: string;
      readonly email: string;
      readonly hasPassword: boolean;
      readonly sessions: readonly {
        readonly id: string;
        readonly device: string;
        readonly madeAt: null | string;
        readonly seenAt: null | string;
        readonly here: boolean;
      }[];
    };
    readonly ReadinessTemplateKept: {
      readonly revision: number;
      readonly value: components['schemas']['ReadinessTemplateRecord'];
    };
    readonly ReadinessTemplateRecord: {
      readonly lines: readonly {
        readonly what: string;
        readonly needed: boolean;
        /** @description days */
        readonly daysBefore: number;
        /** @enum {string} */
        readonly card?:
          | 'binEntry'
          | 'headerLock'
          | 'hitching'
          | 'hotBearing'
          | 'lifting'
          | 'overheadLines'
          | 'roading'
          | 'shafts'
          | 'shutDown';
      }[];
    };
    readonly ReadingInfo: {
      readonly id: string;
      readonly fieldId: string;
      readonly at: string;
      readonly moisture: null | number;
      readonly source: components['schemas']['ReadingSource'];
      readonly cracked: null | number;
      readonly tester: string;
      readonly spot: string;
      readonly zoneId: null | string;
      readonly by: string;
      readonly voided?: boolean;
    };
    readonly ReadingKept: {
      readonly body: components['schemas']['ReadingRecord'];
      readonly by: string;
      readonly voided: boolean;
    };
    readonly ReadingRecord: {
      readonly id: string;
      /** Format: date-time */
      readonly at: string;
      /** @description of fields */
      readonly fieldId: string;
      /** @description wb fraction */
      readonly moisture?: number;
      /** @enum {string} */
      readonly source: 'bench' | 'bite' | 'combine' | 'elevator' | 'hand';
      /** @description of ten */
      readonly cracked?: number;
      readonly tester?: string;
      readonly spot?: string;
      readonly zoneId?: string;
    };
    /** @enum {string} */
    readonly ReadingSource: 'bench' | 'bite' | 'combine' | 'elevator' | 'hand';
    readonly RecordOf_structure_61938389_1560_1673_61938389_1529_1674_61938389_1529_1676_61938389_1521_1676_61938389_1521_1688_61938389_1493_1689_61938389_1438_1690_61938389_848_2306_61938389_815_2307_61938389_815_2344_61938389_797_2344_61938389_791_2344_61938389_604_2345_61938389_0_7450: {
      readonly moisture: number;
      readonly factor: number;
    };
    readonly RecordOf_structure_61938389_1780_1895_61938389_1749_1896_61938389_1749_1898_61938389_1741_1898_61938389_1741_1910_61938389_1713_1911_61938389_1690_1912_61938389_848_2306_61938389_815_2307_61938389_815_2344_61938389_797_2344_61938389_791_2344_61938389_604_2345_61938389_0_7450: {
      readonly testWeight: number;
      readonly factor: number;
    };
    readonly RecordOf_structure_61938389_2625_3224_61938389_2592_3225_61938389_2592_3262_61938389_2576_3262_61938389_2570_3262_61938389_2490_3263_61938389_0_7450: {
      readonly acres?: number;
      readonly quality?: number;
      readonly policy: string;
      readonly number: string;
      /** @enum {string} */
      readonly kind: 'basic' | 'enterprise' | 'optional';
      readonly lots: readonly string[];
      readonly share: number;
      readonly approvedYield: number;
    };
    readonly RecordOf_structure_61938389_3588_3863_61938389_3588_3957_61938389_3559_3958_61938389_3559_3995_61938389_3548_3995_61938389_3542_3995_61938389_3402_3996_61938389_0_7450_structure_61938389_3865_3957_61938389_3588_3957_61938389_3559_3958_61938389_3559_3995_61938389_3548_3995_61938389_3542_3995_61938389_3402_3996_61938389_0_7450: {
      readonly note?: string;
      /** @description Failed to correctly infer type */
      readonly id?: unknown;
      /** @description Failed to correctly infer type */
      readonly at?: unknown;
      readonly unit: string;
      /** @enum {string} */
      readonly why: 'unharvested' | 'uninsured cause';
      readonly acres: number;
      readonly perAcre: number;
    };
    readonly RecordOf_structure_61938389_4747_5223_61938389_4747_5317_61938389_4718_5318_61938389_4718_5355_61938389_4701_5355_61938389_4695_5355_61938389_4599_5356_61938389_0_7450_structure_61938389_5225_5317_61938389_4747_5317_61938389_4718_5318_61938389_4718_5355_61938389_4701_5355_61938389_4695_5355_61938389_4599_5356_61938389_0_7450: {
      readonly note?: string;
      /** @description Failed to correctly infer type */
      readonly id?: unknown;
      /** @description Failed to correctly infer type */
      readonly at?: unknown;
      readonly placeId: string;
      readonly cropYear: number;
      readonly circumference: number;
      readonly depth: number;
      readonly moisture: number;
      readonly testWeight: number;
    };
    readonly RecordOf_structure_61938389_848_2306_61938389_815_2307_61938389_815_2344_61938389_797_2344_61938389_791_2344_61938389_604_2345_61938389_0_7450: {
      readonly perTenth?: number;
      readonly moistureFactors?: readonly components['schemas']['RecordOf_structure_61938389_1560_1673_61938389_1529_1674_61938389_1529_1676_61938389_1521_1676_61938389_1521_1688_61938389_1493_1689_61938389_1438_1690_61938389_848_2306_61938389_815_2307_61938389_815_2344_61938389_797_2344_61938389_791_2344_61938389_604_2345_61938389_0_7450'][];
      readonly testWeightFactors?: readonly components['schemas']['RecordOf_structure_61938389_1780_1895_61938389_1749_1896_61938389_1749_1898_61938389_1741_1898_61938389_1741_1910_61938389_1713_1911_61938389_1690_1912_61938389_848_2306_61938389_815_2307_61938389_815_2344_61938389_797_2344_61938389_791_2344_61938389_604_2345_61938389_0_7450'][];
      readonly agent?: string;
      readonly phone?: string;
      readonly number: string;
      /** @enum {string} */
      readonly crop:
        'barley' | 'canola' | 'corn' | 'oats' | 'softWheat' | 'sorghum' | 'soybean' | 'sunflower' | 'wheat';
      readonly season: number;
      readonly coverage: number;
      readonly price: number;
      readonly base: number;
      readonly noticeDays: number;
      readonly noticeAfterEnd: number;
      readonly periodEnds: string;
    };
    readonly RestRulesKept: {
      readonly revision: number;
      readonly value: components['schemas']['RestRulesRecord'];
    };
    readonly RestRulesRecord: {
      /** @description days */
      readonly days?: number;
      /** @description $/bu */
      readonly storedWorth: number;
      /** @description h */
      readonly dryerHoursPerDay: number;
      /** @description h */
      readonly truckHoursPerDay: number;
    };
    readonly Revision: {
      readonly id: string;
      readonly at: string;
      readonly by?: string;
      readonly reason: string;
      readonly after: number;
      readonly change: components['schemas']['RevisionChange'];
    };
    readonly RevisionAnswer: {
      readonly seq: number;
    };
    readonly RevisionChange:
      | {
          /** @constant */
          readonly what: 'baseMoisture';
          readonly crop: string;
          readonly moisture: number;
        }
      | {
          /** @constant */
          readonly what: 'defaultMoisture';
          readonly moisture: number;
        }
      | {
          /** @constant */
          readonly what: 'shares';
          readonly lot: string;
          readonly shares: readonly components['schemas']['OwnerShare'][];
        }
      | {
          /** @constant */
          readonly what: 'trust';
          readonly trust: readonly string[];
        }
      | {
          /** @constant */
          readonly what: 'withdrawal';
          readonly place: string;
          readonly withdrawal: components['schemas']['Withdrawal'];
        };
    readonly RevisionInfo: {
      readonly id: string;
      readonly at: string;
      readonly by?: string;
      readonly reason: string;
      readonly after: number;
      readonly change: components['schemas']['RevisionChange'];
      readonly seq: number;
    };
    readonly RigMoveKept: {
      readonly body: components['schemas']['RigMoveRecord'];
      readonly by: string;
      readonly voided: boolean;
    };
    readonly RigMoveRecord: {
      readonly id: string;
      /** Format: date-time */
      readonly at: string;
      /** @description of places */
      readonly placeId: string;
      /** @description of lots */
      readonly fromLot?: string;
      /** @description of lots */
      readonly toLot: string;
      /** Format: date-time */
      readonly leftAt: string;
      readonly along: readonly string[];
    };
    readonly RigRoadKept: {
      readonly revision: number;
      readonly value: components['schemas']['RigRoadRecord'];
    };
    readonly RigRoadRecord: {
      /** @description m */
      readonly width: number;
      /** @description m/s */
      readonly speed: number;
      /** @description min */
      readonly readyMin: number;
      readonly headOnCart: boolean;
      readonly escort: boolean;
    };
    /** @enum {string} */
    readonly Role: 'manager' | 'operator' | 'owner' | 'viewer';
    readonly RouteSetKept: {
      readonly body: components['schemas']['RouteSetRecord'];
      readonly by: string;
      readonly voided: boolean;
    };
    readonly RouteSetRecord: {
      readonly id: string;
      /** Format: date-time */
      readonly at: string;
      readonly from: string;
      readonly path: readonly string[];
    };
    readonly RowsImportAnswer: {
      readonly states: readonly components['schemas']['ImportState'][];
      readonly taken: number;
    };
    readonly RowsLeftKept: {
      readonly body: components['schemas']['RowsLeftRecord'];
      readonly by: string;
      readonly voided: boolean;
    };
    readonly RowsLeftRecord: {
      readonly id: string;
      /** Format: date-time */
      readonly at: string;
      /** @description of lots */
      readonly lotId: string;
      /** @description rows */
      readonly rows: number;
      /** @description m */
      readonly rowSpacing: number;
      /** @description m */
      readonly passLength: number;
    };
    readonly SafetyWordsKept: {
      readonly revision: number;
      readonly value: components['schemas']['SafetyWordsRecord'];
    };
    readonly SafetyWordsRecord: {
      readonly words: {
        readonly headerLock?: string;
        readonly shutDown?: string;
        readonly shafts?: string;
        readonly overheadLines?: string;
        readonly roading?: string;
        readonly hotBearing?: string;
        readonly hitching?: string;
        readonly lifting?: string;
        readonly binEntry?: string;
      };
    };
    readonly SamplesAnswer: {
      readonly samples: number;
    };
    readonly ScaleSetupKept: {
      readonly revision: number;
      readonly value: components['schemas']['ScaleSetupRecord'];
    };
    readonly ScaleSetupRecord: {
      /** @description of places */
      readonly placeId?: string;
      /** @description kg */
      readonly zeroKg: number;
      /** Format: date-time */
      readonly zeroedAt?: string;
      /** @description kg */
      readonly withinKg: number;
      /** @description s */
      readonly forSeconds: number;
    };
    readonly SeasonBegun: {
      readonly season: number;
      readonly lotIds: readonly string[];
    };
    readonly SeasonPlanKept: {
      readonly revision: number;
      readonly value: components['schemas']['SeasonPlanRecord'];
    };
    readonly SeasonPlanRecord: {
      readonly firstDays: {
        /** Format: date */
        readonly corn?: string;
        /** Format: date */
        readonly soybean?: string;
        /** Format: date */
        readonly wheat?: string;
        /** Format: date */
        readonly softWheat?: string;
        /** Format: date */
        readonly sorghum?: string;
        /** Format: date */
        readonly oats?: string;
        /** Format: date */
        readonly barley?: string;
        /** Format: date */
        readonly sunflower?: string;
        /** Format: date */
        readonly canola?: string;
      } & {
        readonly [key: string]: string;
      };
      readonly acknowledge: readonly (
        | 'binEntry'
        | 'headerLock'
        | 'hitching'
        | 'hotBearing'
        | 'lifting'
        | 'overheadLines'
        | 'roading'
        | 'shafts'
        | 'shutDown'
      )[];
      readonly fireStopAt?: number;
    };
    readonly SeasonStateKept: {
      readonly revision: number;
      readonly value: components['schemas']['SeasonStateRecord'];
    };
    readonly SeasonStateRecord: {
      readonly season: number;
      readonly closed: boolean;
      /** Format: date */
      readonly through: string;
      readonly note?: string;
    };
    readonly SeenLoadKept: {
      readonly body: components['schemas']['SeenLoadRecord'];
      readonly by: string;
      readonly voided: boolean;
    };
    readonly SeenLoadRecord: {
      readonly id: string;
      /** Format: date-time */
      readonly at: string;
      /** @description of places */
      readonly machineId: string;
      /** @enum {string} */
      readonly kind: 'cut' | 'dump' | 'yard';
      /** @description of places */
      readonly from?: string;
      /** @description of places */
      readonly to?: string;
      /** @description of lots */
      readonly lotId?: string;
      /** @description kg */
      readonly kg?: number;
      /** @description fraction */
      readonly moisture?: number;
      readonly emptied: boolean;
      readonly why: string;
    };
    readonly SelfRecordingKept: {
      readonly revision: number;
      readonly value: components['schemas']['SelfRecordingRecord'];
    };
    readonly SelfRecordingRecord: {
      readonly on: boolean;
      readonly yards: readonly {
        /** @description of places */
        readonly placeId: string;
        /** @description ° */
        readonly lon: number;
        /** @description ° */
        readonly lat: number;
        /** @description m */
        readonly radius: number;
      }[];
    };
    readonly SellPlanKept: {
      readonly revision: number;
      readonly value: components['schemas']['SellPlanRecord'];
    };
    readonly SellPlanRecord: {
      /** @enum {string} */
      readonly crop:
        'barley' | 'canola' | 'corn' | 'oats' | 'softWheat' | 'sorghum' | 'soybean' | 'sunflower' | 'wheat';
      readonly season: number;
      /** @description bu */
      readonly insured?: number;
      /** @description bu */
      readonly expected?: number;
    };
    readonly SellRecords: {
      readonly of: readonly number[];
      readonly seasons: readonly number[];
      readonly page: number;
      readonly pages: number;
      readonly broken: readonly components['schemas']['BrokenRecord'][];
      readonly logs: {
        readonly contractLoad: readonly components['schemas']['ContractLoadKept'][];
        readonly priceFix: readonly components['schemas']['PriceFixKept'][];
        readonly bid: readonly components['schemas']['BidKept'][];
        readonly ticketPaper: readonly components['schemas']['TicketPaperKept'][];
        readonly ticketPhoto: readonly components['schemas']['TicketPhotoKept'][];
        readonly settlement: readonly components['schemas']['SettlementKept'][];
        readonly statement: readonly components['schemas']['StatementKept'][];
      };
      readonly settings: {
        readonly contract: {
          readonly [key: string]: components['schemas']['ContractKept'];
        };
        readonly buyerSheet: {
          readonly [key: string]: components['schemas']['BuyerSheetKept'];
        };
        readonly ownerTerms: {
          readonly [key: string]: components['schemas']['OwnerTermsKept'];
        };
        readonly farmPrices: {
          readonly [key: string]: components['schemas']['FarmPricesKept'];
        };
        readonly hedge: {
          readonly [key: string]: components['schemas']['HedgeKept'];
        };
        readonly sellPlan: {
          readonly [key: string]: components['schemas']['SellPlanKept'];
        };
        readonly columnMatch: {
          readonly [key: string]: components['schemas']['ColumnMatchKept'];
        };
      };
    };
    readonly SensorNow: {
      readonly cable: number;
      readonly sensor: number;
      readonly height: number;
      readonly state: components['schemas']['SensorState'];
      readonly celsius: null | number;
      readonly atMs: null | number;
      readonly inGrain: boolean;
      readonly weekRise: null | number;
      readonly aboveNeighbors: null | number;
      /** @enum {null|string} */
      readonly verdict: 'hot' | 'watch' | null;
    };
    /** @enum {string} */
    readonly SensorState: 'jumps' | 'never read' | 'reads' | 'silent';
    readonly SettingAnswer: {
      readonly revision: number;
    };
    readonly SettingOf_def_interface_462761600_781_1189_462761600_0_2215_structure_61938389_2625_3224_61938389_2592_3225_61938389_2592_3262_61938389_2576_3262_61938389_2570_3262_61938389_2490_3263_61938389_0_7450_structure_61938389_3227_3262_61938389_2592_3262_61938389_2576_3262_61938389_2570_3262_61938389_2490_3263_61938389_0_7450: components['schemas']['RecordOf_structure_61938389_2625_3224_61938389_2592_3225_61938389_2592_3262_61938389_2576_3262_61938389_2570_3262_61938389_2490_3263_61938389_0_7450'];
    readonly SettingOf_def_interface_462761600_781_1189_462761600_0_2215_structure_61938389_848_2306_61938389_815_2307_61938389_815_2344_61938389_797_2344_61938389_791_2344_61938389_604_2345_61938389_0_7450_structure_61938389_2309_2344_61938389_815_2344_61938389_797_2344_61938389_791_2344_61938389_604_2345_61938389_0_7450: components['schemas']['RecordOf_structure_61938389_848_2306_61938389_815_2307_61938389_815_2344_61938389_797_2344_61938389_791_2344_61938389_604_2345_61938389_0_7450'];
    readonly Settings: {
      readonly rotor?: number;
      readonly concave?: number;
      readonly fan?: number;
      readonly chaffer?: number;
      readonly sieve?: number;
      readonly speed?: number;
      readonly reel?: number;
      readonly deckPlates?: number;
      readonly headerHeight?: number;
      readonly headerDrive?: number;
      readonly spreader?: number;
    };
    readonly SettingsEntryKept: {
      readonly body: components['schemas']['SettingsEntryRecord'];
      readonly by: string;
      readonly voided: boolean;
    };
    readonly SettingsEntryRecord: {
      readonly id: string;
      /** Format: date-time */
      readonly at: string;
      /** @description of places */
      readonly machineId: string;
      /** @description of lots */
      readonly lotId: string;
      readonly values: {
        readonly rotor?: number;
        readonly concave?: number;
        readonly fan?: number;
        readonly chaffer?: number;
        readonly sieve?: number;
        readonly speed?: number;
        readonly reel?: number;
        readonly deckPlates?: number;
        readonly headerHeight?: number;
        readonly headerDrive?: number;
        readonly spreader?: number;
      };
      readonly concaveType?: string;
      readonly why: string;
      /** @description wb fraction */
      readonly moisture?: number;
      readonly dirt?: number;
      readonly undoes?: string;
    };
    readonly SettlementKept: {
      readonly body: components['schemas']['SettlementRecord'];
      readonly by: string;
      readonly voided: boolean;
    };
    readonly SettlementRecord: {
      readonly id: string;
      /** Format: date-time */
      readonly at: string;
      readonly number: string;
      /** @description of places */
      readonly buyerId: string;
      /** Format: date */
      readonly paidOn: string;
      /** Format: date */
      readonly deferredTo?: string;
      readonly lines: readonly {
        readonly ticket: string;
        /** @enum {string} */
        readonly kind: 'correction' | 'ticket';
        readonly contract?: string;
        /** @description bu */
        readonly bushels: number;
        /** @description $/bu */
        readonly price?: number;
        /** @description $ */
        readonly taken?: number;
        /** @description $ */
        readonly money: number;
      }[];
      readonly deductions: readonly {
        /** @enum {string} */
        readonly kind: 'advance' | 'checkoff' | 'drying' | 'freight' | 'other' | 'storage';
        /** @description $ */
        readonly amount: number;
        readonly note?: string;
      }[];
      /** @description $ */
      readonly net: number;
      readonly importId?: string;
    };
    readonly SharedGrain: {
      readonly farm: string;
      readonly givenTo: string;
      readonly at: string;
      readonly timeZone: string;
      readonly units: components['schemas']['UnitSystem'];
      readonly clock: components['schemas']['ClockStyle'];
      readonly grain: components['schemas']['OwnersGrain'];
    };
    readonly SharedOrigin: {
      readonly file: components['schemas']['OriginFile'];
      readonly givenTo: string;
      readonly madeAt: string;
      readonly stands: components['schemas']['OriginStands'];
      readonly units: components['schemas']['UnitSystem'];
      readonly clock: components['schemas']['ClockStyle'];
    };
    readonly ShedRecords: {
      readonly of: readonly number[];
      readonly seasons: readonly number[];
      readonly page: number;
      readonly pages: number;
      readonly broken: readonly components['schemas']['BrokenRecord'][];
      readonly logs: {
        readonly breakdown: readonly components['schemas']['BreakdownKept'][];
        readonly fuelFill: readonly components['schemas']['FuelFillKept'][];
        readonly partHeat: readonly components['schemas']['PartHeatKept'][];
        readonly handover: readonly components['schemas']['HandoverKept'][];
        readonly acknowledgement: readonly components['schemas']['AcknowledgementKept'][];
      };
      readonly settings: {
        readonly machine: {
          readonly [key: string]: components['schemas']['MachineKept'];
        };
        readonly readinessTemplate: {
          readonly [key: string]: components['schemas']['ReadinessTemplateKept'];
        };
        readonly seasonPlan: {
          readonly [key: string]: components['schemas']['SeasonPlanKept'];
        };
        readonly safetyWords: {
          readonly [key: string]: components['schemas']['SafetyWordsKept'];
        };
        readonly jobCard: {
          readonly [key: string]: components['schemas']['JobCardKept'];
        };
        readonly fuelTank: {
          readonly [key: string]: components['schemas']['FuelTankKept'];
        };
        readonly partTree: {
          readonly [key: string]: components['schemas']['PartTreeKept'];
        };
        readonly crew: {
          readonly [key: string]: components['schemas']['CrewKept'];
        };
        readonly changeover: {
          readonly [key: string]: components['schemas']['ChangeoverKept'];
        };
        readonly partsCounters: {
          readonly [key: string]: components['schemas']['PartsCountersKept'];
        };
      };
    };
    readonly SheetQuality: {
      readonly figures: {
        readonly fines?: number;
        readonly cracked?: number;
        readonly foreign?: number;
      };
      readonly samples: number;
      readonly tickets: number;
      readonly sheetId: string;
    };
    readonly SiteEquipmentKept: {
      readonly revision: number;
      readonly value: components['schemas']['SiteEquipmentRecord'];
    };
    readonly SiteEquipmentRecord: {
      readonly machines: readonly {
        readonly id: string;
        readonly name: string;
        /** @enum {string} */
        readonly kind: 'auger' | 'conveyor' | 'distributor' | 'gate' | 'leg' | 'pit';
        /** @description bu/h */
        readonly rate?: number;
        readonly driven: boolean;
      }[];
      readonly links: readonly {
        readonly from: string;
        readonly to: string;
      }[];
    };
    readonly StatementKept: {
      readonly body: components['schemas']['StatementRecord'];
      readonly by: string;
      readonly voided: boolean;
    };
    readonly StatementRecord: {
      readonly id: string;
      /** Format: date-time */
      readonly at: string;
      readonly number: number;
      readonly owner: string;
      readonly cropYear: number;
      /** Format: date */
      readonly from: string;
      /** Format: date */
      readonly until: string;
      readonly corrects?: number;
      readonly lines: readonly {
        /** Format: date */
        readonly paidOn: string;
        readonly check: string;
        readonly buyerId: string;
        readonly ticket?: string;
        readonly lot?: string;
        /** @enum {string} */
        readonly crop?:
          'barley' | 'canola' | 'corn' | 'oats' | 'softWheat' | 'sorghum' | 'soybean' | 'sunflower' | 'wheat';
        /** @description bu */
        readonly bushels: number;
        /** @enum {string} */
        readonly account:
          | 'advance'
          | 'checkoff'
          | 'correction'
          | 'discounts'
          | 'drying'
          | 'freight'
          | 'hauling'
          | 'lease docks'
          | 'lease price'
          | 'other'
          | 'sale'
          | 'storage';
        /** @description $ */
        readonly amount: number;
      }[];
      /** @description $ */
      readonly total: number;
    };
    readonly StepHeardKept: {
      readonly body: components['schemas']['StepHeardRecord'];
      readonly by: string;
      readonly voided: boolean;
    };
    readonly StepHeardRecord: {
      readonly id: string;
      /** Format: date-time */
      readonly at: string;
      readonly noticeId: string;
    };
    readonly StoreRecords: {
      readonly of: readonly number[];
      readonly seasons: readonly number[];
      readonly page: number;
      readonly pages: number;
      readonly broken: readonly components['schemas']['BrokenRecord'][];
      readonly logs: {
        readonly fanSwitch: readonly components['schemas']['FanSwitchKept'][];
        readonly routeSet: readonly components['schemas']['RouteSetKept'][];
        readonly climb: readonly components['schemas']['ClimbKept'][];
      };
      readonly settings: {
        readonly binSetup: {
          readonly [key: string]: components['schemas']['BinSetupKept'];
        };
        readonly keepingRules: {
          readonly [key: string]: components['schemas']['KeepingRulesKept'];
        };
        readonly placeState: {
          readonly [key: string]: components['schemas']['PlaceStateKept'];
        };
        readonly pileSetup: {
          readonly [key: string]: components['schemas']['PileSetupKept'];
        };
        readonly restRules: {
          readonly [key: string]: components['schemas']['RestRulesKept'];
        };
        readonly binCables: {
          readonly [key: string]: components['schemas']['BinCablesKept'];
        };
        readonly aeration: {
          readonly [key: string]: components['schemas']['AerationKept'];
        };
        readonly siteEquipment: {
          readonly [key: string]: components['schemas']['SiteEquipmentKept'];
        };
      };
    };
    readonly StripTrialKept: {
      readonly body: components['schemas']['StripTrialRecord'];
      readonly by: string;
      readonly voided: boolean;
    };
    readonly StripTrialRecord: {
      readonly id: string;
      /** Format: date-time */
      readonly at: string;
      /** @description of lots */
      readonly lotId: string;
      readonly what: string;
      readonly differences: readonly number[];
    };
    readonly TapeLine: {
      readonly seq: number;
      readonly entry: components['schemas']['Entry'];
      readonly voided: boolean;
      readonly wetKg: null | number;
      readonly dryKg: null | number;
      readonly wetLots: {
        readonly [key: string]: number;
      };
      readonly witnesses: readonly components['schemas']['Entry'][];
    };
    readonly TesterPairKept: {
      readonly body: components['schemas']['TesterPairRecord'];
      readonly by: string;
      readonly voided: boolean;
    };
    readonly TesterPairRecord: {
      readonly id: string;
      /** Format: date-time */
      readonly at: string;
      readonly tester: string;
      /** @description wb fraction */
      readonly testerMoisture: number;
      /** @description wb fraction */
      readonly buyerMoisture: number;
      /** @enum {string} */
      readonly crop?:
        'barley' | 'canola' | 'corn' | 'oats' | 'softWheat' | 'sorghum' | 'soybean' | 'sunflower' | 'wheat';
      /** @description of places */
      readonly buyerId?: string;
    };
    readonly TicketPaperKept: {
      readonly body: components['schemas']['TicketPaperRecord'];
      readonly by: string;
      readonly voided: boolean;
    };
    readonly TicketPaperRecord: {
      readonly id: string;
      /** Format: date-time */
      readonly at: string;
      readonly entryId: string;
      readonly ticket?: string;
      readonly factors: {
        readonly testWeight?: number;
        readonly damage?: number;
        readonly foreignMaterial?: number;
        readonly heat?: number;
        readonly splits?: number;
        readonly broken?: number;
        readonly dockage?: number;
      };
      /** @description bu */
      readonly paidBushels?: number;
      /** @description $/bu */
      readonly pricePaid?: number;
      /** @description $ */
      readonly drying?: number;
      /** @description $ */
      readonly money?: number;
      readonly photo?: string;
    };
    readonly TicketPhotoKept: {
      readonly body: components['schemas']['TicketPhotoRecord'];
      readonly by: string;
      readonly voided: boolean;
    };
    readonly TicketPhotoRecord: {
      readonly id: string;
      /** Format: date-time */
      readonly at: string;
      readonly photo: string;
      /** @description of places */
      readonly placeId: string;
    };
    readonly TokenInfo: {
      readonly id: string;
      readonly name: string;
      /** @enum {string} */
      readonly scope: 'read' | 'record';
      readonly by: string;
      readonly madeAt: string;
      readonly endsAt: string;
      readonly usedAt: null | string;
      readonly revoked: boolean;
    };
    readonly TraceFound: {
      readonly fields: readonly components['schemas']['LotInfo'][];
      readonly places: readonly components['schemas']['PlaceInfo'][];
      readonly entries: readonly {
        readonly entry: components['schemas']['Entry'];
        readonly delivery: boolean;
        readonly ticket: null | string;
      }[];
      readonly matches: number;
    };
    readonly TraceLink: {
      readonly from: string;
      readonly to: string;
      readonly dryKg: number;
      readonly lots: {
        readonly [key: string]: number;
      };
      readonly entries: number;
    };
    readonly TraceLoad: {
      readonly entry: components['schemas']['Entry'];
      readonly dryKg: number;
    };
    readonly TracePath: {
      readonly nodes: readonly components['schemas']['TraceStop'][];
      readonly links: readonly components['schemas']['TraceLink'][];
    };
    readonly TraceRecords: {
      readonly of: readonly number[];
      readonly seasons: readonly number[];
      readonly page: number;
      readonly pages: number;
      readonly broken: readonly components['schemas']['BrokenRecord'][];
      readonly logs: {
        readonly appraisal: readonly components['schemas']['AppraisalKept'][];
        readonly lossNotice: readonly components['schemas']['LossNoticeKept'][];
        readonly binMeasurement: readonly components['schemas']['BinMeasurementKept'][];
      };
      readonly settings: {
        readonly seasonState: {
          readonly [key: string]: components['schemas']['SeasonStateKept'];
        };
        readonly insurancePolicy: {
          readonly [key: string]: components['schemas']['InsurancePolicyKept'];
        };
        readonly insuranceUnit: {
          readonly [key: string]: components['schemas']['InsuranceUnitKept'];
        };
        readonly fileMatch: {
          readonly [key: string]: components['schemas']['FileMatchKept'];
        };
        readonly fieldBoundary: {
          readonly [key: string]: components['schemas']['FieldBoundaryKept'];
        };
      };
    };
    readonly TraceStop: {
      readonly id: string;
      /** @enum {string} */
      readonly what: 'lost' | 'lot' | 'lots' | 'place' | 'standing';
      readonly of: string;
      readonly out: boolean;
    };
    readonly TruckSetupKept: {
      readonly revision: number;
      readonly value: components['schemas']['TruckSetupRecord'];
    };
    readonly TruckSetupRecord: {
      readonly combination: string;
      /** @enum {string} */
      readonly body?: 'endDump' | 'hopper' | 'liveFloor' | 'sideDump' | 'wagon';
      readonly axles: readonly {
        /** @description m */
        readonly at: number;
        /** @description fraction */
        readonly share: number;
      }[];
      /** @description lb */
      readonly singleLb: number;
      /** @description lb */
      readonly tandemLb: number;
      /** @description lb */
      readonly grossLb: number;
      readonly permit?: {
        readonly name: string;
        /** @description % */
        readonly percentAxles: number;
        /** @description % */
        readonly percentGross: number;
        /** Format: date */
        readonly from: string;
        /** Format: date */
        readonly until: string;
      };
      readonly permitRoads?: readonly string[];
    };
    readonly UnitField: {
      readonly lot: components['schemas']['LotInfo'];
      readonly sold: number;
      readonly tickets: number;
      readonly measured: number;
      readonly unmeasured: number;
      readonly harvested: number;
      readonly commingled: number;
    };
    readonly UnitProduction: {
      readonly id: string;
      readonly unit: components['schemas']['InsuranceUnit'];
      readonly policyId: string;
      readonly policy: components['schemas']['InsurancePolicy'];
      readonly fields: readonly components['schemas']['UnitField'][];
      readonly acres: number;
      readonly sold: number;
      readonly measured: number;
      readonly unmeasured: number;
      readonly commingled: number;
      readonly appraisals: readonly components['schemas']['Appraisal'][];
      readonly appraised: number;
      readonly quality: number;
      readonly harvested: number;
      readonly guarantee: number;
      readonly toCount: number;
      readonly shortfall: number;
      readonly indemnity: number;
      readonly perAcre: number;
      readonly standing: readonly string[];
      readonly beyondTable: number;
      readonly history: readonly {
        readonly season: number;
        readonly acres: number;
        readonly perAcre: number;
      }[];
    };
    /** @enum {string} */
    readonly UnitSystem: 'metric' | 'us';
    readonly VehicleNow: {
      readonly place: string;
      readonly kind: string;
      readonly sinceMs: number;
      /** @enum {string} */
      readonly last: 'loaded' | 'unloaded';
      readonly where: string;
      readonly entry: string;
      readonly firstLoadMs: null | number;
      readonly loads: readonly string[];
    };
    readonly VoidEntry: {
      readonly id: string;
      readonly at: string;
      readonly recordedAt?: string;
      readonly by?: string;
      readonly device?: string;
      readonly method?: components['schemas']['Method'] | string;
      readonly note?: string;
      /** @constant */
      readonly type: 'void';
      readonly voids: string;
    };
    readonly WeatherAnswer: {
      readonly hours: number;
    };
    readonly WeatherHourInfo: {
      readonly at: string;
      readonly temperature: number;
      readonly humidity: number;
      readonly wind: number;
      readonly rainChance: number;
      readonly wet: boolean;
      readonly forecast: boolean;
    };
    readonly WeighTicketInfo: {
      readonly number: number;
      readonly id: string;
      readonly at: string;
      readonly machineId: string;
      readonly combination: string;
      readonly grossKg: readonly number[];
      readonly tareKg: readonly number[];
      readonly tareId: null | string;
      readonly netKg: number;
      readonly byHand: boolean;
      readonly crop: null | string;
      readonly shares: {
        readonly [key: string]: number;
      };
      readonly entryId: null | string;
      readonly by: string;
      readonly voided: boolean;
    };
    readonly WeighedBefore: {
      readonly method: string;
      readonly ticketKg: number;
      readonly saidKg: number;
      readonly part: number;
    };
    readonly WeighedView: {
      readonly weighed: readonly components['schemas']['GrainWeighed'][];
      readonly alone: readonly {
        readonly entry: components['schemas']['HarvestEntry'];
        readonly method: string;
        readonly scale: string;
      }[];
    };
    readonly WeightRulesKept: {
      readonly revision: number;
      readonly value: components['schemas']['WeightRulesRecord'];
    };
    readonly WeightRulesRecord: {
      /** @description fraction */
      readonly tolerance: number;
      /** @description days */
      readonly tareOldDays: number;
      /** @description fraction */
      readonly tareTolerance: number;
    };
    readonly WetLayer: {
      readonly crop: string;
      readonly wetKg: number;
      readonly moisture: number;
      readonly wetLots: {
        readonly [key: string]: number;
      };
      readonly cutFirstMs: null | number;
      readonly cutMeanMs: null | number;
    };
    readonly WetPlace: {
      readonly placeId: string;
      readonly kind: string;
      readonly layers: readonly components['schemas']['WetLayer'][];
    };
    /** @enum {string} */
    readonly Withdrawal: 'firstIn' | 'lastIn' | 'mixed';
    readonly WitnessEntry: {
      readonly id: string;
      readonly at: string;
      readonly recordedAt?: string;
      readonly by?: string;
      readonly device?: string;
      readonly method?: components['schemas']['Method'] | string;
      readonly note?: string;
      /** @constant */
      readonly type: 'witness';
      readonly of: string;
      readonly wetKg?: number;
      readonly moisture?: number;
      readonly ticket?: string;
      readonly grossKg?: number;
      readonly tareKg?: number;
      readonly pricePerBu?: number;
    };
    readonly WrongFieldLoad: {
      readonly entry: components['schemas']['HarvestEntry'];
      readonly lot: string;
      readonly likely: string;
      readonly reasons: readonly components['schemas']['WrongFieldReason'][];
      readonly wetKg: number;
    };
    /** @enum {string} */
    readonly WrongFieldReason: 'alone' | 'between' | 'moisture';
    readonly YearLot: {
      readonly lotId: string;
      readonly fieldId: string;
      readonly fieldName: string;
      readonly crop: string;
      readonly season: number;
      readonly variety: string;
      readonly acres: number;
      readonly wetKg: number;
      readonly dryKg: number;
      readonly open: boolean;
      readonly sheets: readonly components['schemas']['YearSheet'][];
    };
    readonly YearSheet: {
      readonly sheetId: string;
      readonly machine: string;
      readonly values: components['schemas']['Settings'];
      readonly wetKg: number;
      readonly dryKg: number;
      readonly loss: null | number;
    };
    readonly ZoneCut: {
      readonly wetKg: number;
      readonly dryKg: number;
      readonly first: string;
      readonly last: string;
      readonly lastMoisture: number;
      readonly zoneId: null | string;
    };
    readonly DeviceBody: {
      readonly name: string;
      /** @enum {string} */
      readonly kind:
        | 'weather'
        | 'cartScale'
        | 'truckScale'
        | 'monitor'
        | 'tester'
        | 'elevator'
        | 'dryer'
        | 'binCables'
        | 'motors'
        | 'level'
        | 'bids'
        | 'tracker';
    };
    readonly WeatherHourBody: {
      /** @description start of the hour */
      readonly at: string;
      /** @description °C */
      readonly temperature: number;
      /** @description relative humidity, fraction */
      readonly humidity: number;
      /** @description m/s */
      readonly wind: number;
      /** @description chance of rain in the hour, fraction */
      readonly rainChance: number;
      /** @description dew or rain on the crop */
      readonly wet: boolean;
      readonly forecast: boolean;
    };
    readonly WeatherBody: {
      readonly hours: readonly components['schemas']['WeatherHourBody'][];
    };
    readonly ScaleSampleBody: {
      readonly at: string;
      /** @description as the cell shows it, before any zero of ours */
      readonly kg: number;
    };
    readonly WeightsBody: {
      readonly samples: readonly components['schemas']['ScaleSampleBody'][];
    };
    readonly FlowSampleBody: {
      readonly at: string;
      /** @description kg/s into the tank */
      readonly flow: number;
      /** @description wet-basis fraction */
      readonly moisture: number;
      /** @description m/s over ground */
      readonly speed: number;
      /** @description kg/ha as the display works it out */
      readonly yieldKgPerHa?: number;
      /** @description degrees east, where its own receiver knows it */
      readonly lon?: number;
      /** @description degrees north */
      readonly lat?: number;
      /** @description m² that it counted cut in the field that is open on it */
      readonly areaM2?: number;
    };
    readonly FlowsBody: {
      /** @description the field of the season that is open on it, as the farm’s names have it */
      readonly lotId?: string;
      readonly samples: readonly components['schemas']['FlowSampleBody'][];
    };
    readonly PositionSampleBody: {
      readonly at: string;
      /** @description ° east */
      readonly lon: number;
      /** @description ° north */
      readonly lat: number;
      /** @description m: it is within so far of it */
      readonly accuracy: number;
    };
    readonly PositionsBody: {
      readonly samples: readonly components['schemas']['PositionSampleBody'][];
    };
    readonly CableReadingBody: {
      readonly placeId: string;
      /** @description which of the bin’s cables, from 0 */
      readonly cable: number;
      readonly at: string;
      /** @description °C from the lowest sensor up; null for one that says nothing */
      readonly celsius: readonly (number | null)[];
    };
    readonly CableReadingsBody: {
      readonly readings: readonly components['schemas']['CableReadingBody'][];
    };
    readonly DryerSaysBody: {
      /** @description made by the device: the same again changes nothing */
      readonly id: string;
      readonly placeId: string;
      readonly at: string;
      /** @description it burns and moves grain: a run begins with the first, and ends with the first that says no */
      readonly running: boolean;
      /** @description wet-basis fraction */
      readonly moistureIn?: number;
      /** @description wet-basis fraction */
      readonly moistureOut?: number;
      /** @description °C */
      readonly plenum?: number;
      /** @description wet, into it */
      readonly bushelsPerHour?: number;
      /** @description as the meter stands */
      readonly fuelMeter?: number;
      /** @enum {string} */
      readonly alarm?: 'out of grain' | 'flame' | 'overheat' | 'unload stopped';
    };
    readonly DryerSaysListBody: {
      readonly samples: readonly components['schemas']['DryerSaysBody'][];
    };
    readonly LevelBody: {
      readonly placeId: string;
      readonly at: string;
      /** @description m from the eave down to the grain at the sensor */
      readonly belowEave: number;
    };
    readonly LevelsBody: {
      readonly levels: readonly components['schemas']['LevelBody'][];
    };
    readonly BidsBody: {
      readonly bids: readonly components['schemas']['BidRecord'][];
    };
    readonly MotorBody: {
      /** @description the machine’s id in the list of the site */
      readonly machineId: string;
      readonly at: string;
      readonly running: boolean;
      /** @description of its full load */
      readonly load?: number;
    };
    readonly MotorsBody: {
      readonly motors: readonly components['schemas']['MotorBody'][];
    };
    readonly EntryBody: {
      /** @enum {string} */
      readonly type: 'harvest' | 'move' | 'condition' | 'loss' | 'measure' | 'witness' | 'void';
      /** @description ULID made by the device that wrote the entry */
      readonly id: string;
      /** @description when it happened */
      readonly at: string;
      readonly recordedAt?: string;
      readonly by?: string;
      readonly device?: string;
      /** @enum {string} */
      readonly method?: 'ticket' | 'bridge' | 'cartScale' | 'volume' | 'monitor' | 'estimate';
      readonly note?: string;
      readonly lot?: string;
      /** @description the part of the field that a harvest came off */
      readonly zone?: string;
      readonly from?: string;
      readonly to?: string;
      readonly place?: string;
      /** @description wet kg; left out in a move: all of it */
      readonly wetKg?: number;
      /** @description wet-basis fraction */
      readonly moisture?: number;
      readonly emptied?: boolean;
      /** @description through the spout in its wall: the newest comes first */
      readonly sideDraw?: boolean;
      /** @description fraction of the dry matter lost in drying */
      readonly dryLoss?: number;
      readonly reason?: string;
      /** @description the harvest or move that a witness measured */
      readonly of?: string;
      /** @description the entry that never happened */
      readonly voids?: string;
      /** @description ticket number */
      readonly ticket?: string;
      readonly grossKg?: number;
      readonly tareKg?: number;
      /** @description dollars a bushel */
      readonly pricePerBu?: number;
    };
    readonly AppendBody: {
      readonly entries: readonly components['schemas']['EntryBody'][];
    };
    readonly PhonePositionsBody: {
      readonly samples: readonly components['schemas']['PositionSampleBody'][];
      /** @description the machine that it rides in: combine, cart or truck */
      readonly placeId: string;
    };
    readonly CorrectionBody: {
      /** @description of type void */
      readonly void: components['schemas']['EntryBody'];
      readonly entry?: components['schemas']['EntryBody'];
    };
    readonly RevisionBody: {
      readonly id: string;
      /** @description why: it stays in the book for good */
      readonly reason: string;
      /** @description shares of a lot, the order of trust, the default or a base moisture, or how grain comes out of a place */
      readonly change: {
        readonly [key: string]: unknown;
      };
    };
    readonly SignInBody: {
      readonly email: string;
      readonly password: string;
    };
    readonly SetupBody: {
      readonly email: string;
      readonly password: string;
      /** @description what npm start prints when nobody has begun yet */
      readonly code: string;
      readonly farm: string;
      readonly name: string;
      /** @example America/Chicago */
      readonly timeZone: string;
      /** @enum {string} */
      readonly units?: 'us' | 'metric';
    };
    readonly ClaimBody: {
      readonly email: string;
      readonly password: string;
      /** @description what npm start prints when a farm waits for its owner */
      readonly code: string;
    };
    readonly FarmSettingsBody: {
      /** @enum {string} */
      readonly units: 'us' | 'metric';
      /** @enum {string} */
      readonly clock: '12' | '24';
    };
    readonly PairBody: {
      /** @enum {string} */
      readonly kind: 'machine' | 'bins' | 'gate';
      /** @description of a machine’s job */
      readonly placeId?: string;
      /** @description what the phone is called: “Truck 3’s phone” */
      readonly label: string;
      /** @description days that it records */
      readonly days: number;
    };
    readonly TakeJobBody: {
      readonly name: string;
    };
    readonly InviteBody: {
      /** @enum {string} */
      readonly role: 'viewer' | 'operator' | 'manager' | 'owner';
      readonly givenTo: string;
      /** @description days that it opens */
      readonly days: number;
      /** @description where the link is mailed to, where the server has a mail server */
      readonly email?: string;
    };
    readonly RoleBody: {
      /** @enum {string} */
      readonly role: 'viewer' | 'operator' | 'manager' | 'owner';
    };
    readonly TokenBody: {
      readonly name: string;
      /**
       * @description read, or read and record
       * @enum {string}
       */
      readonly scope: 'read' | 'record';
      /** @description days until it ends */
      readonly days: number;
    };
    readonly AcceptBody: {
      readonly email: string;
      readonly password: string;
      readonly name: string;
    };
    readonly NewPasswordBody: {
      readonly password: string;
    };
    readonly BeginFarmBody: {
      readonly farm: string;
      /** @example America/Chicago */
      readonly timeZone: string;
    };
    readonly NameBody: {
      readonly name: string;
    };
    readonly ChangePasswordBody: {
      readonly password: string;
      readonly old: string;
    };
    readonly ShareBody: {
      readonly owner: string;
      /** @description fraction of every bushel */
      readonly part: number;
    };
    readonly FieldBody: {
      readonly name: string;
      readonly variety?: string;
      /** @description two or three letters that stand for it in drawings */
      readonly tag: string;
      readonly acres: number;
      /** @description corn, soybean, wheat, softWheat, sorghum, oats, barley, sunflower, canola, or the id of a crop of the farm's own */
      readonly crop: string;
      readonly season: number;
      /** @description left out: the farm’s own */
      readonly shares?: readonly components['schemas']['ShareBody'][];
    };
    readonly SeasonLotBody: {
      readonly variety?: string;
      /** @description two or three letters that stand for it in drawings */
      readonly tag: string;
      /** @description corn, soybean, wheat, softWheat, sorghum, oats, barley, sunflower, canola, or the id of a crop of the farm's own */
      readonly crop: string;
      /** @description left out: the farm’s own */
      readonly shares?: readonly components['schemas']['ShareBody'][];
      readonly fieldId: string;
      /** @description of this season; left out: as the field has */
      readonly acres?: number;
    };
    readonly SeasonBody: {
      readonly season: number;
      readonly lots: readonly components['schemas']['SeasonLotBody'][];
    };
    readonly NeighborRowsBody: {
      /** @description of the lot that its loads name */
      readonly id: string;
      readonly owner: string;
      /** @description corn, soybean, wheat, softWheat, sorghum, oats, barley, sunflower, canola, or the id of a crop of the farm's own */
      readonly crop: string;
      readonly season: number;
    };
    readonly FieldChangeBody: {
      readonly name: string;
      readonly variety?: string;
      /** @description two or three letters that stand for it in drawings */
      readonly tag: string;
      /** @description left out: as it is */
      readonly acres?: number;
    };
    readonly WeighTicketBody: {
      readonly id: string;
      readonly at: string;
      readonly machineId: string;
      readonly combination: string;
      /** @description one weight for the whole truck, or 2 to 12 axles from the front */
      readonly grossKg: readonly number[];
      /** @description empty, whole or by axle */
      readonly tareKg: readonly number[];
      /** @description the empty weight as it was recorded; left out: typed from a paper */
      readonly tareId?: string;
      /** @description typed from a scale without a wire */
      readonly byHand: boolean;
      /** @description what it says in the book: a witness of the load, or what the truck holds */
      readonly entry?: components['schemas']['EntryBody'];
    };
    readonly WeighTicketCorrectionBody: {
      /** @description the void of what the old ticket said in the book */
      readonly void: components['schemas']['EntryBody'];
      readonly ticket: components['schemas']['WeighTicketBody'];
    };
    readonly WeighTicketVoidBody: {
      readonly void?: components['schemas']['EntryBody'];
    };
    readonly PlaceBody: {
      readonly name: string;
      /** @description struck, in bushels; left out: nobody knows */
      readonly capacityBu?: number;
      /** @enum {string} */
      readonly kind: 'bin' | 'combine' | 'cart' | 'truck' | 'pit' | 'wetBin' | 'dryer' | 'overhead' | 'pile' | 'buyer';
      /** @enum {string} */
      readonly withdrawal?: 'mixed' | 'firstIn' | 'lastIn';
    };
    readonly PlaceChangeBody: {
      readonly name: string;
      /** @description struck, in bushels; left out: nobody knows */
      readonly capacityBu?: number;
    };
    readonly PlaceInUseBody: {
      readonly inUse: boolean;
    };
    readonly OwnerLinkBody: {
      readonly givenTo: string;
      /** @description days that it opens; left out: until it is cut off */
      readonly days?: number;
      /** @description as he stands with the fields */
      readonly owner: string;
    };
    readonly KeepShareBody: {
      /** @description the secret of the link */
      readonly secret: string;
    };
    readonly OriginLinkBody: {
      readonly givenTo: string;
      /** @description days that it opens; left out: until it is cut off */
      readonly days?: number;
      /** @enum {string} */
      readonly kind: 'delivery' | 'place';
      /** @description the delivery’s entry, or the place */
      readonly subject: string;
    };
    readonly MovedLoadsBody: {
      /** @description entries off a field */
      readonly loads: readonly string[];
      /** @description the field’s lot that they are of */
      readonly lot: string;
      /** @description stands in the book with each of them */
      readonly why: string;
    };
    readonly CornerBody: {
      readonly part: number;
      readonly ring: number;
      readonly lon: number;
      readonly lat: number;
    };
    readonly ImportedFieldBody: {
      readonly variety?: string;
      /** @description two or three letters that stand for it in drawings */
      readonly tag: string;
      /** @description corn, soybean, wheat, softWheat, sorghum, oats, barley, sunflower, canola, or the id of a crop of the farm's own */
      readonly crop: string;
      /** @description left out: the farm’s own */
      readonly shares?: readonly components['schemas']['ShareBody'][];
      readonly name: string;
      readonly acres: number;
      readonly boundary?: readonly components['schemas']['CornerBody'][];
    };
    readonly FieldsImportBody: {
      readonly importId: string;
      readonly file: string;
      readonly season: number;
      readonly fields: readonly components['schemas']['ImportedFieldBody'][];
    };
    readonly ImportedLoadBody: {
      readonly lot: string;
      readonly at: string;
      readonly wetKg: number;
      readonly moisture: number;
      readonly to: string;
      readonly ticket?: string;
    };
    readonly LoadsImportBody: {
      readonly importId: string;
      readonly file: string;
      readonly look: boolean;
      /**
       * @description by what they were weighed
       * @enum {string}
       */
      readonly method: 'cartScale' | 'monitor' | 'bridge' | 'estimate';
      readonly loads: readonly components['schemas']['ImportedLoadBody'][];
    };
    readonly TicketFactorsBody: {
      /** @description lb/bu */
      readonly testWeight?: number;
      /** @description % */
      readonly foreignMaterial?: number;
      /** @description % */
      readonly damage?: number;
      /** @description % */
      readonly heat?: number;
      /** @description % */
      readonly splits?: number;
      /** @description % */
      readonly broken?: number;
      /** @description % */
      readonly dockage?: number;
    };
    readonly ImportedTicketBody: {
      readonly ticket: string;
      readonly at: string;
      /** @description the truck or bin that it came from */
      readonly from: string;
      /** @description the buyer */
      readonly to: string;
      /** @description net, kg */
      readonly wetKg: number;
      readonly grossKg?: number;
      readonly tareKg?: number;
      readonly moisture: number;
      /** @description $/bu */
      readonly pricePerBu?: number;
      readonly factors?: components['schemas']['TicketFactorsBody'];
    };
    readonly TicketsImportBody: {
      readonly importId: string;
      readonly file: string;
      readonly look: boolean;
      readonly tickets: readonly components['schemas']['ImportedTicketBody'][];
    };
    readonly ImportedLevelBody: {
      readonly place: string;
      readonly at: string;
      /** @description what lay there, kg */
      readonly wetKg: number;
      readonly moisture?: number;
    };
    readonly LevelsImportBody: {
      readonly importId: string;
      readonly file: string;
      readonly look: boolean;
      readonly levels: readonly components['schemas']['ImportedLevelBody'][];
    };
    readonly WeatherImportBody: {
      readonly importId: string;
      readonly file: string;
      readonly look: boolean;
      readonly hours: readonly components['schemas']['WeatherHourBody'][];
    };
    readonly CablesImportBody: {
      readonly importId: string;
      readonly file: string;
      readonly look: boolean;
      readonly readings: readonly components['schemas']['CableReadingBody'][];
    };
  };
  responses: never;
  parameters: never;
  requestBodies: never;
  headers: never;
  pathItems: never;
}
export type $defs = Record<string, never>;
export interface operations {
  readonly HealthController_health: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content?: never;
      };
    };
  };
  readonly DevicesController_list: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': readonly components['schemas']['DeviceInfo'][];
        };
      };
    };
  };
  readonly DevicesController_add: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['DeviceBody'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['NewDevice'];
        };
      };
    };
  };
  readonly DevicesController_revoke: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly deviceId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['DeviceAnswer'];
        };
      };
    };
  };
  readonly DeviceController_hello: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['DeviceHello'];
        };
      };
    };
  };
  readonly DeviceController_weather: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['WeatherBody'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['WeatherAnswer'];
        };
      };
    };
  };
  readonly DeviceController_reading: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['DeviceReadingAnswer'];
        };
      };
    };
  };
  readonly DeviceController_weights: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['WeightsBody'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['SamplesAnswer'];
        };
      };
    };
  };
  readonly DeviceController_flows: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['FlowsBody'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['SamplesAnswer'];
        };
      };
    };
  };
  readonly DeviceController_positions: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['PositionsBody'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['SamplesAnswer'];
        };
      };
    };
  };
  readonly DeviceController_cables: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['CableReadingsBody'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['SamplesAnswer'];
        };
      };
    };
  };
  readonly DeviceController_dryer: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['DryerSaysListBody'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['SamplesAnswer'];
        };
      };
    };
  };
  readonly DeviceController_levels: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['LevelsBody'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['SamplesAnswer'];
        };
      };
    };
  };
  readonly DeviceController_bids: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['BidsBody'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['SamplesAnswer'];
        };
      };
    };
  };
  readonly DeviceController_motors: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['MotorsBody'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['SamplesAnswer'];
        };
      };
    };
  };
  readonly DeviceController_names: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['DeviceNames'];
        };
      };
    };
  };
  readonly DeviceController_entries: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['AppendBody'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['AppendAnswer'];
        };
      };
    };
  };
  readonly TraceController_positions: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['Positions'];
        };
      };
    };
  };
  readonly PositionsController_tell: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['PhonePositionsBody'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['SamplesAnswer'];
        };
      };
    };
  };
  readonly LedgerController_tape: {
    readonly parameters: {
      readonly query?: {
        readonly before?: string;
        readonly limit?: string;
        readonly types?: string;
        readonly places?: string;
      };
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': readonly components['schemas']['TapeLine'][];
        };
      };
    };
  };
  readonly LedgerController_append: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['AppendBody'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['AppendAnswer'];
        };
      };
    };
  };
  readonly LedgerController_correct: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['CorrectionBody'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['AppendAnswer'];
        };
      };
    };
  };
  readonly LedgerController_entry: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly entryId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['TapeLine'];
        };
      };
    };
  };
  readonly LedgerController_revisions: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': readonly components['schemas']['RevisionInfo'][];
        };
      };
    };
  };
  readonly LedgerController_revise: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['RevisionBody'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['RevisionAnswer'];
        };
      };
    };
  };
  readonly LedgerController_book: {
    readonly parameters: {
      readonly query?: {
        readonly asOf?: string;
      };
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['Book'];
        };
      };
    };
  };
  readonly LedgerController_restore: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['BroughtLine'];
        };
      };
    };
  };
  readonly LedgerController_check: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['BookCheckAnswer'];
        };
      };
    };
  };
  readonly LedgerController_fingerprint: {
    readonly parameters: {
      readonly query?: {
        readonly text?: string;
      };
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['FingerprintAnswer'];
        };
      };
    };
  };
  readonly LedgerController_follow: {
    readonly parameters: {
      readonly query?: {
        readonly after?: string;
      };
      readonly header: {
        readonly 'last-event-id': string;
      };
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content?: never;
      };
    };
  };
  readonly PeopleController_me: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['Me'];
        };
      };
    };
  };
  readonly PeopleController_signIn: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['SignInBody'];
      };
    };
    readonly responses: {
      readonly 204: {
        headers: {
          readonly [name: string]: unknown;
        };
        content?: never;
      };
    };
  };
  readonly PeopleController_demo: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 204: {
        headers: {
          readonly [name: string]: unknown;
        };
        content?: never;
      };
    };
  };
  readonly PeopleController_setUp: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['SetupBody'];
      };
    };
    readonly responses: {
      readonly 204: {
        headers: {
          readonly [name: string]: unknown;
        };
        content?: never;
      };
    };
  };
  readonly PeopleController_claim: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['ClaimBody'];
      };
    };
    readonly responses: {
      readonly 204: {
        headers: {
          readonly [name: string]: unknown;
        };
        content?: never;
      };
    };
  };
  readonly PeopleController_signOut: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 204: {
        headers: {
          readonly [name: string]: unknown;
        };
        content?: never;
      };
    };
  };
  readonly FarmSettingsController_change: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['FarmSettingsBody'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['FarmSettingsAnswer'];
        };
      };
    };
  };
  readonly PairedController_all: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': readonly components['schemas']['PairedInfo'][];
        };
      };
    };
  };
  readonly PairedController_add: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['PairBody'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['NewLink'];
        };
      };
    };
  };
  readonly PairedController_cutOff: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly phoneId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['InviteAnswer'];
        };
      };
    };
  };
  readonly JobLinkController_shown: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly secret: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['PairShown'];
        };
      };
    };
  };
  readonly JobLinkController_take: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly secret: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['TakeJobBody'];
      };
    };
    readonly responses: {
      readonly 204: {
        headers: {
          readonly [name: string]: unknown;
        };
        content?: never;
      };
    };
  };
  readonly MembersController_members: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': readonly components['schemas']['MemberInfo'][];
        };
      };
    };
  };
  readonly MembersController_audit: {
    readonly parameters: {
      readonly query?: {
        readonly before?: string;
      };
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': readonly components['schemas']['AuditLine'][];
        };
      };
    };
  };
  readonly MembersController_invites: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': readonly components['schemas']['InviteInfo'][];
        };
      };
    };
  };
  readonly MembersController_invite: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['InviteBody'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['NewLink'];
        };
      };
    };
  };
  readonly MembersController_mail: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['MailAnswer'];
        };
      };
    };
  };
  readonly MembersController_revoke: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly inviteId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['InviteAnswer'];
        };
      };
    };
  };
  readonly MembersController_role: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly userId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['RoleBody'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['MemberAnswer'];
        };
      };
    };
  };
  readonly MembersController_remove: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly userId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['MemberAnswer'];
        };
      };
    };
  };
  readonly MembersController_signOut: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly userId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['MemberAnswer'];
        };
      };
    };
  };
  readonly MembersController_passwordLink: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly userId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['NewLink'];
        };
      };
    };
  };
  readonly TokensController_tokens: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': readonly components['schemas']['TokenInfo'][];
        };
      };
    };
  };
  readonly TokensController_add: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['TokenBody'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['NewToken'];
        };
      };
    };
  };
  readonly TokensController_revoke: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly tokenId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['InviteAnswer'];
        };
      };
    };
  };
  readonly InvitesController_shown: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly secret: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['InviteShown'];
        };
      };
    };
  };
  readonly InvitesController_accept: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly secret: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['AcceptBody'];
      };
    };
    readonly responses: {
      readonly 204: {
        headers: {
          readonly [name: string]: unknown;
        };
        content?: never;
      };
    };
  };
  readonly InvitesController_join: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly secret: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['InviteAnswer'];
        };
      };
    };
  };
  readonly InvitesController_password: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly secret: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['NewPasswordBody'];
      };
    };
    readonly responses: {
      readonly 204: {
        headers: {
          readonly [name: string]: unknown;
        };
        content?: never;
      };
    };
  };
  readonly ProfileController_profile: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['ProfileAnswer'];
        };
      };
    };
  };
  readonly ProfileController_beginFarm: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['BeginFarmBody'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['InviteAnswer'];
        };
      };
    };
  };
  readonly ProfileController_name: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['NameBody'];
      };
    };
    readonly responses: {
      readonly 204: {
        headers: {
          readonly [name: string]: unknown;
        };
        content?: never;
      };
    };
  };
  readonly ProfileController_password: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['ChangePasswordBody'];
      };
    };
    readonly responses: {
      readonly 204: {
        headers: {
          readonly [name: string]: unknown;
        };
        content?: never;
      };
    };
  };
  readonly ProfileController_end: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly sessionId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 204: {
        headers: {
          readonly [name: string]: unknown;
        };
        content?: never;
      };
    };
  };
  readonly ProfileController_others: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path?: never;
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 204: {
        headers: {
          readonly [name: string]: unknown;
        };
        content?: never;
      };
    };
  };
  readonly FieldsRecordsController_all: {
    readonly parameters: {
      readonly query?: {
        readonly seasons?: string;
        readonly page?: string;
      };
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['FieldsRecords'];
        };
      };
    };
  };
  readonly CutRecordsController_all: {
    readonly parameters: {
      readonly query?: {
        readonly seasons?: string;
        readonly page?: string;
      };
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['CutRecords'];
        };
      };
    };
  };
  readonly HaulRecordsController_all: {
    readonly parameters: {
      readonly query?: {
        readonly seasons?: string;
        readonly page?: string;
      };
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['HaulRecords'];
        };
      };
    };
  };
  readonly DryRecordsController_all: {
    readonly parameters: {
      readonly query?: {
        readonly seasons?: string;
        readonly page?: string;
      };
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['DryRecords'];
        };
      };
    };
  };
  readonly StoreRecordsController_all: {
    readonly parameters: {
      readonly query?: {
        readonly seasons?: string;
        readonly page?: string;
      };
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['StoreRecords'];
        };
      };
    };
  };
  readonly SellRecordsController_all: {
    readonly parameters: {
      readonly query?: {
        readonly seasons?: string;
        readonly page?: string;
      };
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['SellRecords'];
        };
      };
    };
  };
  readonly TraceRecordsController_all: {
    readonly parameters: {
      readonly query?: {
        readonly seasons?: string;
        readonly page?: string;
      };
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['TraceRecords'];
        };
      };
    };
  };
  readonly ShedRecordsController_all: {
    readonly parameters: {
      readonly query?: {
        readonly seasons?: string;
        readonly page?: string;
      };
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['ShedRecords'];
        };
      };
    };
  };
  readonly ReadingController_add: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['ReadingRecord'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly ReadingController_void: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly id: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly FieldPinController_add: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['FieldPinRecord'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly FieldPinController_void: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly id: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly RowsLeftController_add: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['RowsLeftRecord'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly RowsLeftController_void: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly id: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly TesterPairController_add: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['TesterPairRecord'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly TesterPairController_void: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly id: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly NextFieldNoticeController_add: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['NextFieldNoticeRecord'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly NextFieldNoticeController_void: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly id: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly SettingsEntryController_add: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['SettingsEntryRecord'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly SettingsEntryController_void: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly id: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly LossCheckController_add: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['LossCheckRecord'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly LossCheckController_void: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly id: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly StripTrialController_add: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['StripTrialRecord'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly StripTrialController_void: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly id: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly DisplayCheckController_add: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['DisplayCheckRecord'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly DisplayCheckController_void: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly id: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly GrainSampleController_add: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['GrainSampleRecord'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly GrainSampleController_void: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly id: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly NeighborSheetsController_add: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['NeighborSheetsRecord'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly NeighborSheetsController_void: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly id: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly EmptyWeightController_add: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['EmptyWeightRecord'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly EmptyWeightController_void: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly id: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly DelayController_add: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['DelayRecord'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly DelayController_void: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly id: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly CoverMovedController_add: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['CoverMovedRecord'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly CoverMovedController_void: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly id: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly AlarmHeardController_add: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['AlarmHeardRecord'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly AlarmHeardController_void: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly id: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly FieldChangeController_add: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['FieldChangeRecord'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly FieldChangeController_void: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly id: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly SeenLoadController_add: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['SeenLoadRecord'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly SeenLoadController_void: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly id: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly RigMoveController_add: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['RigMoveRecord'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly RigMoveController_void: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly id: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly DryerSampleController_add: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['DryerSampleRecord'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly DryerSampleController_void: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly id: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly DryerRunController_add: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['DryerRunRecord'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly DryerRunController_void: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly id: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly GrainTemperatureController_add: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['GrainTemperatureRecord'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly GrainTemperatureController_void: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly id: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly StepHeardController_add: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['StepHeardRecord'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly StepHeardController_void: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly id: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly FanSwitchController_add: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['FanSwitchRecord'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly FanSwitchController_void: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly id: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly RouteSetController_add: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['RouteSetRecord'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly RouteSetController_void: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly id: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly ClimbController_add: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['ClimbRecord'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly ClimbController_void: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly id: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly ContractLoadController_add: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['ContractLoadRecord'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly ContractLoadController_void: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly id: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly PriceFixController_add: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['PriceFixRecord'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly PriceFixController_void: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly id: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly BidController_add: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['BidRecord'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly BidController_void: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly id: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly TicketPaperController_add: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['TicketPaperRecord'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly TicketPaperController_void: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly id: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly TicketPhotoController_add: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['TicketPhotoRecord'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly TicketPhotoController_void: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly id: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly DisplayPhotoController_add: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['DisplayPhotoRecord'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly DisplayPhotoController_void: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly id: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly DisplayTypedController_add: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['DisplayTypedRecord'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly DisplayTypedController_void: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly id: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly SettlementController_add: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['SettlementRecord'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly SettlementController_void: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly id: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly StatementController_add: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['StatementRecord'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly StatementController_void: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly id: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly AppraisalController_add: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['AppraisalRecord'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly AppraisalController_void: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly id: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly LossNoticeController_add: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['LossNoticeRecord'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly LossNoticeController_void: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly id: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly BinMeasurementController_add: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['BinMeasurementRecord'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly BinMeasurementController_void: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly id: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly BreakdownController_add: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['BreakdownRecord'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly BreakdownController_void: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly id: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly FuelFillController_add: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['FuelFillRecord'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly FuelFillController_void: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly id: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly PartHeatController_add: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['PartHeatRecord'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly PartHeatController_void: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly id: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly HandoverController_add: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['HandoverRecord'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly HandoverController_void: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly id: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly AcknowledgementController_add: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['AcknowledgementRecord'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly AcknowledgementController_void: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly id: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LogAnswer'];
        };
      };
    };
  };
  readonly CuttingWindowController_change: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly subject: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': {
          readonly revision: number;
          readonly value: components['schemas']['CuttingWindowRecord'];
        };
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['SettingAnswer'];
        };
      };
    };
  };
  readonly NextFieldPlanController_change: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly subject: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': {
          readonly revision: number;
          readonly value: components['schemas']['NextFieldPlanRecord'];
        };
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['SettingAnswer'];
        };
      };
    };
  };
  readonly OwnCropController_change: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly subject: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': {
          readonly revision: number;
          readonly value: components['schemas']['OwnCropRecord'];
        };
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['SettingAnswer'];
        };
      };
    };
  };
  readonly FieldZoneController_change: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly subject: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': {
          readonly revision: number;
          readonly value: components['schemas']['FieldZoneRecord'];
        };
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['SettingAnswer'];
        };
      };
    };
  };
  readonly CombineProfileController_change: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly subject: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': {
          readonly revision: number;
          readonly value: components['schemas']['CombineProfileRecord'];
        };
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['SettingAnswer'];
        };
      };
    };
  };
  readonly TruckSetupController_change: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly subject: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': {
          readonly revision: number;
          readonly value: components['schemas']['TruckSetupRecord'];
        };
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['SettingAnswer'];
        };
      };
    };
  };
  readonly CoverController_change: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly subject: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': {
          readonly revision: number;
          readonly value: components['schemas']['CoverRecord'];
        };
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['SettingAnswer'];
        };
      };
    };
  };
  readonly ScaleSetupController_change: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly subject: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': {
          readonly revision: number;
          readonly value: components['schemas']['ScaleSetupRecord'];
        };
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['SettingAnswer'];
        };
      };
    };
  };
  readonly SelfRecordingController_change: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly subject: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': {
          readonly revision: number;
          readonly value: components['schemas']['SelfRecordingRecord'];
        };
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['SettingAnswer'];
        };
      };
    };
  };
  readonly WeightRulesController_change: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly subject: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': {
          readonly revision: number;
          readonly value: components['schemas']['WeightRulesRecord'];
        };
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['SettingAnswer'];
        };
      };
    };
  };
  readonly HaulTimesController_change: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly subject: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': {
          readonly revision: number;
          readonly value: components['schemas']['HaulTimesRecord'];
        };
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['SettingAnswer'];
        };
      };
    };
  };
  readonly HaulPlanController_change: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly subject: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': {
          readonly revision: number;
          readonly value: components['schemas']['HaulPlanRecord'];
        };
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['SettingAnswer'];
        };
      };
    };
  };
  readonly BuyerFactsController_change: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly subject: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': {
          readonly revision: number;
          readonly value: components['schemas']['BuyerFactsRecord'];
        };
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['SettingAnswer'];
        };
      };
    };
  };
  readonly BuyerRoadsController_change: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly subject: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': {
          readonly revision: number;
          readonly value: components['schemas']['BuyerRoadsRecord'];
        };
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['SettingAnswer'];
        };
      };
    };
  };
  readonly RigRoadController_change: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly subject: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': {
          readonly revision: number;
          readonly value: components['schemas']['RigRoadRecord'];
        };
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['SettingAnswer'];
        };
      };
    };
  };
  readonly DryerSetupController_change: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly subject: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': {
          readonly revision: number;
          readonly value: components['schemas']['DryerSetupRecord'];
        };
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['SettingAnswer'];
        };
      };
    };
  };
  readonly BinFanController_change: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly subject: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': {
          readonly revision: number;
          readonly value: components['schemas']['BinFanRecord'];
        };
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['SettingAnswer'];
        };
      };
    };
  };
  readonly FallAirController_change: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly subject: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': {
          readonly revision: number;
          readonly value: components['schemas']['FallAirRecord'];
        };
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['SettingAnswer'];
        };
      };
    };
  };
  readonly BinSetupController_change: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly subject: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': {
          readonly revision: number;
          readonly value: components['schemas']['BinSetupRecord'];
        };
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['SettingAnswer'];
        };
      };
    };
  };
  readonly KeepingRulesController_change: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly subject: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': {
          readonly revision: number;
          readonly value: components['schemas']['KeepingRulesRecord'];
        };
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['SettingAnswer'];
        };
      };
    };
  };
  readonly PlaceStateController_change: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly subject: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': {
          readonly revision: number;
          readonly value: components['schemas']['PlaceStateRecord'];
        };
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['SettingAnswer'];
        };
      };
    };
  };
  readonly PileSetupController_change: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly subject: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': {
          readonly revision: number;
          readonly value: components['schemas']['PileSetupRecord'];
        };
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['SettingAnswer'];
        };
      };
    };
  };
  readonly RestRulesController_change: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly subject: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': {
          readonly revision: number;
          readonly value: components['schemas']['RestRulesRecord'];
        };
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['SettingAnswer'];
        };
      };
    };
  };
  readonly BinCablesController_change: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly subject: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': {
          readonly revision: number;
          readonly value: components['schemas']['BinCablesRecord'];
        };
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['SettingAnswer'];
        };
      };
    };
  };
  readonly AerationController_change: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly subject: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': {
          readonly revision: number;
          readonly value: components['schemas']['AerationRecord'];
        };
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['SettingAnswer'];
        };
      };
    };
  };
  readonly SiteEquipmentController_change: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly subject: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': {
          readonly revision: number;
          readonly value: components['schemas']['SiteEquipmentRecord'];
        };
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['SettingAnswer'];
        };
      };
    };
  };
  readonly ContractController_change: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly subject: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': {
          readonly revision: number;
          readonly value: components['schemas']['ContractRecord'];
        };
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['SettingAnswer'];
        };
      };
    };
  };
  readonly BuyerSheetController_change: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly subject: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': {
          readonly revision: number;
          readonly value: components['schemas']['BuyerSheetRecord'];
        };
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['SettingAnswer'];
        };
      };
    };
  };
  readonly OwnerTermsController_change: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly subject: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': {
          readonly revision: number;
          readonly value: components['schemas']['OwnerTermsRecord'];
        };
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['SettingAnswer'];
        };
      };
    };
  };
  readonly FarmPricesController_change: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly subject: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': {
          readonly revision: number;
          readonly value: components['schemas']['FarmPricesRecord'];
        };
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['SettingAnswer'];
        };
      };
    };
  };
  readonly HedgeController_change: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly subject: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': {
          readonly revision: number;
          readonly value: components['schemas']['HedgeRecord'];
        };
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['SettingAnswer'];
        };
      };
    };
  };
  readonly SellPlanController_change: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly subject: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': {
          readonly revision: number;
          readonly value: components['schemas']['SellPlanRecord'];
        };
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['SettingAnswer'];
        };
      };
    };
  };
  readonly ColumnMatchController_change: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly subject: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': {
          readonly revision: number;
          readonly value: components['schemas']['ColumnMatchRecord'];
        };
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['SettingAnswer'];
        };
      };
    };
  };
  readonly SeasonStateController_change: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly subject: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': {
          readonly revision: number;
          readonly value: components['schemas']['SeasonStateRecord'];
        };
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['SettingAnswer'];
        };
      };
    };
  };
  readonly InsurancePolicyController_change: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly subject: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': {
          readonly revision: number;
          readonly value: components['schemas']['InsurancePolicyRecord'];
        };
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['SettingAnswer'];
        };
      };
    };
  };
  readonly InsuranceUnitController_change: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly subject: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': {
          readonly revision: number;
          readonly value: components['schemas']['InsuranceUnitRecord'];
        };
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['SettingAnswer'];
        };
      };
    };
  };
  readonly FileMatchController_change: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly subject: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': {
          readonly revision: number;
          readonly value: components['schemas']['FileMatchRecord'];
        };
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['SettingAnswer'];
        };
      };
    };
  };
  readonly FieldBoundaryController_change: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly subject: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': {
          readonly revision: number;
          readonly value: components['schemas']['FieldBoundaryRecord'];
        };
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['SettingAnswer'];
        };
      };
    };
  };
  readonly MachineController_change: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly subject: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': {
          readonly revision: number;
          readonly value: components['schemas']['MachineRecord'];
        };
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['SettingAnswer'];
        };
      };
    };
  };
  readonly ReadinessTemplateController_change: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly subject: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': {
          readonly revision: number;
          readonly value: components['schemas']['ReadinessTemplateRecord'];
        };
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['SettingAnswer'];
        };
      };
    };
  };
  readonly SeasonPlanController_change: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly subject: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': {
          readonly revision: number;
          readonly value: components['schemas']['SeasonPlanRecord'];
        };
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['SettingAnswer'];
        };
      };
    };
  };
  readonly SafetyWordsController_change: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly subject: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': {
          readonly revision: number;
          readonly value: components['schemas']['SafetyWordsRecord'];
        };
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['SettingAnswer'];
        };
      };
    };
  };
  readonly JobCardController_change: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly subject: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': {
          readonly revision: number;
          readonly value: components['schemas']['JobCardRecord'];
        };
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['SettingAnswer'];
        };
      };
    };
  };
  readonly FuelTankController_change: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly subject: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': {
          readonly revision: number;
          readonly value: components['schemas']['FuelTankRecord'];
        };
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['SettingAnswer'];
        };
      };
    };
  };
  readonly PartTreeController_change: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly subject: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': {
          readonly revision: number;
          readonly value: components['schemas']['PartTreeRecord'];
        };
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['SettingAnswer'];
        };
      };
    };
  };
  readonly CrewController_change: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly subject: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': {
          readonly revision: number;
          readonly value: components['schemas']['CrewRecord'];
        };
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['SettingAnswer'];
        };
      };
    };
  };
  readonly ChangeoverController_change: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly subject: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': {
          readonly revision: number;
          readonly value: components['schemas']['ChangeoverRecord'];
        };
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['SettingAnswer'];
        };
      };
    };
  };
  readonly PartsCountersController_change: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly subject: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': {
          readonly revision: number;
          readonly value: components['schemas']['PartsCountersRecord'];
        };
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['SettingAnswer'];
        };
      };
    };
  };
  readonly TodayController_header: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['FarmHeaderAnswer'];
        };
      };
    };
  };
  readonly TodayController_now: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['FarmNow'];
        };
      };
    };
  };
  readonly TodayController_gaps: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': readonly components['schemas']['BookGap'][];
        };
      };
    };
  };
  readonly TodayController_layers: {
    readonly parameters: {
      readonly query?: {
        readonly have?: string;
      };
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LayersAnswer'];
        };
      };
    };
  };
  readonly FieldsController_lots: {
    readonly parameters: {
      readonly query?: {
        readonly season?: string;
      };
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': readonly components['schemas']['FieldRow'][];
        };
      };
    };
  };
  readonly FieldsController_lotMoistures: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly lotId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': readonly components['schemas']['ReadingInfo'][];
        };
      };
    };
  };
  readonly FieldsController_addField: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['FieldBody'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['FieldAdded'];
        };
      };
    };
  };
  readonly FieldsController_beginSeason: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['SeasonBody'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['SeasonBegun'];
        };
      };
    };
  };
  readonly FieldsController_addNeighborRows: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['NeighborRowsBody'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LotAnswer'];
        };
      };
    };
  };
  readonly FieldsController_removeLot: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly lotId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LotAnswer'];
        };
      };
    };
  };
  readonly FieldsController_changeField: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly lotId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['FieldChangeBody'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LotAnswer'];
        };
      };
    };
  };
  readonly FieldsController_weather: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': readonly components['schemas']['WeatherHourInfo'][];
        };
      };
    };
  };
  readonly FieldsController_addWeather: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['WeatherBody'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['WeatherAnswer'];
        };
      };
    };
  };
  readonly CutController_monitors: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': readonly components['schemas']['MonitorView'][];
        };
      };
    };
  };
  readonly CutController_quality: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': readonly components['schemas']['SheetQuality'][];
        };
      };
    };
  };
  readonly CutController_years: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': readonly components['schemas']['YearLot'][];
        };
      };
    };
  };
  readonly HaulController_haul: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['HaulView'];
        };
      };
    };
  };
  readonly HaulController_weighed: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['WeighedView'];
        };
      };
    };
  };
  readonly HaulController_list: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': readonly components['schemas']['WeighTicketInfo'][];
        };
      };
    };
  };
  readonly HaulController_weigh: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['WeighTicketBody'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['WeighTicketInfo'];
        };
      };
    };
  };
  readonly HaulController_follow: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content?: never;
      };
    };
  };
  readonly HaulController_correct: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly number: number;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['WeighTicketCorrectionBody'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['WeighTicketInfo'];
        };
      };
    };
  };
  readonly HaulController_void: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly number: number;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['WeighTicketVoidBody'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['WeighTicketInfo'];
        };
      };
    };
  };
  readonly HaulController_print: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly number: number;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content?: never;
      };
    };
  };
  readonly DryController_wet: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': readonly components['schemas']['WetPlace'][];
        };
      };
    };
  };
  readonly StoreController_cablesOf: {
    readonly parameters: {
      readonly query?: {
        readonly days?: string;
      };
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly placeId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['CablesAnswer'];
        };
      };
    };
  };
  readonly StoreController_addPlace: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['PlaceBody'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['PlaceAnswer'];
        };
      };
    };
  };
  readonly StoreController_changePlace: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly placeId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['PlaceChangeBody'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['PlaceAnswer'];
        };
      };
    };
  };
  readonly StoreController_setInUse: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly placeId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['PlaceInUseBody'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['PlaceAnswer'];
        };
      };
    };
  };
  readonly SiteController_levelsNow: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': readonly components['schemas']['LevelInfo'][];
        };
      };
    };
  };
  readonly SiteController_list: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': readonly components['schemas']['MotorInfo'][];
        };
      };
    };
  };
  readonly SharesController_links: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': readonly components['schemas']['OwnerLinkInfo'][];
        };
      };
    };
  };
  readonly SharesController_add: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['OwnerLinkBody'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['NewLink'];
        };
      };
    };
  };
  readonly SharesController_revoke: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly linkId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LinkAnswer'];
        };
      };
    };
  };
  readonly SharesController_kept: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': readonly components['schemas']['KeptShareInfo'][];
        };
      };
    };
  };
  readonly SharesController_keep: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['KeepShareBody'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LinkAnswer'];
        };
      };
    };
  };
  readonly SharesController_drop: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly shareId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LinkAnswer'];
        };
      };
    };
  };
  readonly SharedGrainController_shared: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly secret: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['SharedGrain'];
        };
      };
    };
  };
  readonly SellController_deliveries: {
    readonly parameters: {
      readonly query?: {
        readonly season?: string;
      };
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': readonly components['schemas']['Delivery'][];
        };
      };
    };
  };
  readonly SellController_statement: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly statementId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content?: never;
      };
    };
  };
  readonly SellController_print: {
    readonly parameters: {
      readonly query?: {
        readonly season?: string;
      };
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly what: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content?: never;
      };
    };
  };
  readonly TraceController_accounts: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['Accounts'];
        };
      };
    };
  };
  readonly TraceController_lot: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly lotId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LotTraceView'];
        };
      };
    };
  };
  readonly TraceController_statement: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly lotId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content?: never;
      };
    };
  };
  readonly TraceController_statementCsv: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly lotId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content?: never;
      };
    };
  };
  readonly TraceController_search: {
    readonly parameters: {
      readonly query?: {
        readonly q?: string;
      };
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['TraceFound'];
        };
      };
    };
  };
  readonly TraceController_delivery: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly entryId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['DeliveryTraceView'];
        };
      };
    };
  };
  readonly OutController_entries: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content?: never;
      };
    };
  };
  readonly OutController_workbook: {
    readonly parameters: {
      readonly query?: {
        readonly season?: string;
      };
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content?: never;
      };
    };
  };
  readonly OutController_table: {
    readonly parameters: {
      readonly query?: {
        readonly season?: string;
      };
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly table: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content?: never;
      };
    };
  };
  readonly OutController_geojson: {
    readonly parameters: {
      readonly query?: {
        readonly season?: string;
      };
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content?: never;
      };
    };
  };
  readonly OutController_taskdata: {
    readonly parameters: {
      readonly query?: {
        readonly season?: string;
      };
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content?: never;
      };
    };
  };
  readonly OutController_calendar: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content?: never;
      };
    };
  };
  readonly OutController_epcis: {
    readonly parameters: {
      readonly query?: {
        readonly season?: string;
      };
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content?: never;
      };
    };
  };
  readonly OriginController_origin: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly of: string;
        readonly id: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['Origin'];
        };
      };
    };
  };
  readonly OriginController_divisions: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly of: string;
        readonly id: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': readonly components['schemas']['Division'][];
        };
      };
    };
  };
  readonly OriginController_file: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly of: string;
        readonly id: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content?: never;
      };
    };
  };
  readonly OriginController_pdf: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly of: string;
        readonly id: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content?: never;
      };
    };
  };
  readonly OriginController_links: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': readonly components['schemas']['OriginLinkInfo'][];
        };
      };
    };
  };
  readonly OriginController_share: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['OriginLinkBody'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['NewLink'];
        };
      };
    };
  };
  readonly OriginController_revoke: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly linkId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LinkAnswer'];
        };
      };
    };
  };
  readonly SharedOriginController_shared: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly secret: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['SharedOrigin'];
        };
      };
    };
  };
  readonly InsuranceController_insurance: {
    readonly parameters: {
      readonly query?: {
        readonly season?: string;
      };
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['InsuranceAnswer'];
        };
      };
    };
  };
  readonly InsuranceController_moved: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['MovedLoadsBody'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['MovedLoadsAnswer'];
        };
      };
    };
  };
  readonly InsuranceController_pdf: {
    readonly parameters: {
      readonly query?: {
        readonly season?: string;
      };
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content?: never;
      };
    };
  };
  readonly ImportsController_list: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': readonly components['schemas']['FileImportInfo'][];
        };
      };
    };
  };
  readonly ImportsController_fields: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['FieldsImportBody'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['FieldsImportAnswer'];
        };
      };
    };
  };
  readonly ImportsController_loads: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['LoadsImportBody'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['LoadsImportAnswer'];
        };
      };
    };
  };
  readonly ImportsController_tickets: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['TicketsImportBody'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['RowsImportAnswer'];
        };
      };
    };
  };
  readonly ImportsController_levels: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['LevelsImportBody'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['RowsImportAnswer'];
        };
      };
    };
  };
  readonly ImportsController_weather: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['WeatherImportBody'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['RowsImportAnswer'];
        };
      };
    };
  };
  readonly ImportsController_cables: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody: {
      readonly content: {
        readonly 'application/json': components['schemas']['CablesImportBody'];
      };
    };
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['RowsImportAnswer'];
        };
      };
    };
  };
  readonly ImportsController_undo: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly importId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['ImportUndone'];
        };
      };
    };
  };
  readonly DayController_day: {
    readonly parameters: {
      readonly query?: {
        readonly day?: string;
      };
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['DayAnswer'];
        };
      };
    };
  };
  readonly DayController_pdf: {
    readonly parameters: {
      readonly query?: {
        readonly day?: string;
      };
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content?: never;
      };
    };
  };
  readonly YearController_costs: {
    readonly parameters: {
      readonly query?: {
        readonly season?: string;
      };
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': readonly components['schemas']['CropCosts'][];
        };
      };
    };
  };
  readonly YearController_pdf: {
    readonly parameters: {
      readonly query?: {
        readonly season?: string;
      };
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content?: never;
      };
    };
  };
  readonly PhotosController_one: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly photoId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content?: never;
      };
    };
  };
  readonly PhotosController_add: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly photoId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['PhotoInfo'];
        };
      };
    };
  };
  readonly FuelController_all: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': readonly components['schemas']['FuelInfo'][];
        };
      };
    };
  };
  readonly AtWheelController_today: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': readonly components['schemas']['AtWheelInfo'][];
        };
      };
    };
  };
  readonly BackupController_list: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['BackupsAnswer'];
        };
      };
    };
  };
  readonly BackupController_keep: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['BackupInfo'];
        };
      };
    };
  };
  readonly BackupController_kept: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
        readonly name: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content?: never;
      };
    };
  };
  readonly BackupController_now: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content?: never;
      };
    };
  };
  readonly BackupController_bring: {
    readonly parameters: {
      readonly query?: never;
      readonly header?: never;
      readonly path: {
        readonly farmId: string;
      };
      readonly cookie?: never;
    };
    readonly requestBody?: never;
    readonly responses: {
      readonly 200: {
        headers: {
          readonly [name: string]: unknown;
        };
        content: {
          readonly 'application/json': components['schemas']['BroughtLine'];
        };
      };
    };
  };
}
