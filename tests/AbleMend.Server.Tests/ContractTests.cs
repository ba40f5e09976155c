using AbleMend.Core;
using AbleMend.Server.Http;
using Microsoft.AspNetCore.Http.Metadata;
using Microsoft.AspNetCore.Routing;

namespace AbleMend.Server.Tests;

/// <summary>What the endpoints take and give.</summary>
public class ContractTests
{
    // A type that is left out is served as well, by reflection: this is what notices.
    [Fact]
    public void Everything_that_an_endpoint_takes_or_gives_has_a_generated_serialiser()
    {
        using var shop = Shop.Empty();
        var types = shop.Service<EndpointDataSource>().Endpoints
            .SelectMany(endpoint => endpoint.Metadata.OfType<IProducesResponseTypeMetadata>().Select(each => each.Type).Concat(endpoint.Metadata.OfType<IAcceptsMetadata>().Select(each => each.RequestType)))
            .OfType<Type>().Where(type => type.ToString().Contains(nameof(AbleMend), StringComparison.Ordinal)).Distinct().ToList();
        types.Count.ShouldBeGreaterThan(30);
        types.Where(type => OpenJsonContext.Default.GetTypeInfo(type) is null && ContractsJson.Default.GetTypeInfo(type) is null).ShouldBeEmpty();
    }
}
