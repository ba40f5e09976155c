using Microsoft.Extensions.FileProviders;
using Microsoft.Extensions.Primitives;

namespace AbleMend.Server.Http;

/// <summary>
/// Endpoints that are put together once. Whoever asks the mapped sources themselves has every handler worked out anew, and the first
/// request waits for it; these can be asked before it comes.
/// </summary>
/// <param name="mapped">The sources that were mapped.</param>
internal sealed class EndpointsOnce(IReadOnlyList<EndpointDataSource> mapped) : EndpointDataSource
{
    private readonly Lazy<IReadOnlyList<Endpoint>> _endpoints = new(() => [.. mapped.SelectMany(source => source.Endpoints)]);

    /// <inheritdoc/>
    public override IReadOnlyList<Endpoint> Endpoints => _endpoints.Value;

    /// <summary>Puts everything that was mapped behind one source.</summary>
    /// <param name="routes">What it was mapped to; nothing is mapped to it afterwards.</param>
    public static EndpointsOnce Of(IEndpointRouteBuilder routes)
    {
        var once = new EndpointsOnce([.. routes.DataSources]);
        routes.DataSources.Clear();
        routes.DataSources.Add(once);
        return once;
    }

    /// <summary>Nothing is mapped or taken away while the server runs.</summary>
    public override IChangeToken GetChangeToken() => NullChangeToken.Singleton;
}
