const CLAIM = "https://purl.imsglobal.org/spec/lti/claim/";
const DEEP_LINK = "https://purl.imsglobal.org/spec/lti-dl/claim/";

/** Names of what a message says (1EdTech LTI 1.3, Deep Linking 2.0, Assignment and Grade Services 2.0, Names and Role Provisioning 2.0). */
export const claims = {
  messageType: `${CLAIM}message_type`,
  version: `${CLAIM}version`,
  deployment: `${CLAIM}deployment_id`,
  target: `${CLAIM}target_link_uri`,
  resourceLink: `${CLAIM}resource_link`,
  roles: `${CLAIM}roles`,
  context: `${CLAIM}context`,
  custom: `${CLAIM}custom`,
  lis: `${CLAIM}lis`,
  settings: `${DEEP_LINK}deep_linking_settings`,
  items: `${DEEP_LINK}content_items`,
  data: `${DEEP_LINK}data`,
  endpoint: "https://purl.imsglobal.org/spec/lti-ags/claim/endpoint",
  members: "https://purl.imsglobal.org/spec/lti-nrps/claim/namesroleservice",
} as const;

export const scopes = {
  lineItem: "https://purl.imsglobal.org/spec/lti-ags/scope/lineitem",
  score: "https://purl.imsglobal.org/spec/lti-ags/scope/score",
  members: "https://purl.imsglobal.org/spec/lti-nrps/scope/contextmembership.readonly",
  /** Not of the standard, which has no way to send a cartridge: a system that knows it says so in its configuration. */
  cartridge: "https://golden-satchel.example/scope/cartridge",
} as const;

export const VERSION = "1.3.0";
export const messages = { resource: "LtiResourceLinkRequest", choose: "LtiDeepLinkingRequest" } as const;

const MEMBERSHIP = "http://purl.imsglobal.org/vocab/lis/v2/membership#";
export const roleNames = { teacher: `${MEMBERSHIP}Instructor`, student: `${MEMBERSHIP}Learner` } as const;

/** In an OpenID configuration: what a course site and a tool say of themselves. */
export const configuration = {
  platform: "https://purl.imsglobal.org/spec/lti-platform-configuration",
  tool: "https://purl.imsglobal.org/spec/lti-tool-configuration",
} as const;
