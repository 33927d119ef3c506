// A small OpenID provider on this machine, in which whoever comes is signed in at once as the person named in its arguments.
import Provider from 'oidc-provider';

const [port, back, claims] = [process.argv[2], process.argv[3], JSON.parse(process.argv[4])];
const provider = new Provider(`http://127.0.0.1:${port}`, {
    clients: [
        { client_id: 'open-reel', client_secret: 'a secret of this test', redirect_uris: [back], response_types: ['code'] },
    ],
    claims: { openid: ['sub'], email: ['email', 'email_verified'], profile: ['name'] },
    conformIdTokenClaims: false,
    pkce: { required: () => true },
    features: { devInteractions: { enabled: false } },
    interactions: { url: (_, interaction) => `/interaction/${interaction.uid}` },
    findAccount: (_, id) => ({ accountId: id, claims: () => ({ sub: id, ...claims }) }),
    cookies: { keys: ['for this test only'] },
});
provider.use(async (context, next) => {
    const match = /^\/interaction\/(.+)$/.exec(context.path);
    if (!match) {
        return next();
    }
    const { prompt, params, session, grantId } = await provider.interactionDetails(context.req, context.res);
    if (prompt.name === 'login') {
        return provider.interactionFinished(context.req, context.res, { login: { accountId: claims.sub } });
    }
    const grant = grantId
        ? await provider.Grant.find(grantId)
        : new provider.Grant({ accountId: session.accountId, clientId: params.client_id });
    grant.addOIDCScope('openid email profile');
    return provider.interactionFinished(context.req, context.res, { consent: { grantId: await grant.save() } });
});
provider.listen(Number(port), '127.0.0.1', () => console.log('listening'));
