using System.Net;
using Microsoft.AspNetCore.HttpOverrides;

namespace AbleMend.Server.Http;

/// <summary>Whose word on who asks is believed: that of one proxy, named at the start, and of nobody else.</summary>
internal static class Proxies
{
    /// <summary>Believes one proxy.</summary>
    /// <param name="options">What is set.</param>
    /// <param name="address">Its address, or null for nobody.</param>
    /// <exception cref="InvalidDataException">The address is none.</exception>
    public static void Believe(ForwardedHeadersOptions options, string? address)
    {
        options.KnownProxies.Clear();
        options.KnownIPNetworks.Clear();
        options.ForwardedHeaders = ForwardedHeaders.None;
        if (address is not null)
        {
            options.KnownProxies.Add(IPAddress.TryParse(address, out var known) ? known : throw new InvalidDataException($"“{address}” is no address of a proxy."));
            options.ForwardedHeaders = ForwardedHeaders.XForwardedFor | ForwardedHeaders.XForwardedProto;
        }
    }
}
