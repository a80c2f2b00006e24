using ZealousEmber.App.Contracts;
using ZealousEmber.App.Http;
using ZealousEmber.App.Mapping;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.App.Stock;

/// <summary>Clays and glazes of the studio.</summary>
internal static class StockEndpoints
{
    public static void MapStock(this WebApplication app)
    {
        new RepositoryEndpoints<ClayContract, VersionedClayContract, Clay>("clay", StockMapping.Read, StockMapping.Write).Map(
            app.MapGroup("/api/clays").WithTags("Clays and glazes"),
            "/api/clays"
        );
        new RepositoryEndpoints<GlazeContract, VersionedGlazeContract, Glaze>("glaze", StockMapping.Read, StockMapping.Write).Map(
            app.MapGroup("/api/glazes").WithTags("Clays and glazes"),
            "/api/glazes"
        );
    }
}
